import { describe, expect, it } from "vitest";
import { readNumber } from "@/core/answers/readNumber";

const value = (text: string) => {
  const reading = readNumber(text);
  return reading.ok ? reading.value.toFraction() : reading.reason;
};

describe("readNumber", () => {
  it.each([
    ["12", "12"],
    [" 12 ", "12"],
    ["+7", "7"],
    ["-3", "-3"],
    ["−3", "-3"],
    ["0.5", "1/2"],
    [".5", "1/2"],
    ["2,5", "5/2"],
    ["1,200", "1200"],
    ["1 200", "1200"],
    ["12,000.5", "24001/2"],
    ["3/4", "3/4"],
    ["6/8", "3/4"],
    ["1 3/4", "7/4"],
    ["½", "1/2"],
    ["1½", "3/2"],
    ["€ 4.50", "9/2"],
    ["15 km", "15"],
    ["15 km/h", "15"],
    ["0.1", "1/10"],
    ["007", "7"],
  ])("reads %j as %s", (text, expected) => {
    expect(value(text)).toBe(expected);
  });

  it.each([
    ["", "empty"],
    ["   ", "empty"],
    ["twelve", "not-a-number"],
    ["3/0", "zero-below"],
    ["1 2/0", "zero-below"],
    ["1/2/3", "not-a-number"],
    ["1.2.3", "not-a-number"],
    ["3+4", "not-a-number"],
    ["5-2", "not-a-number"],
    ["9".repeat(80), "too-long"],
  ])("refuses %j: %s", (text, reason) => {
    expect(value(text)).toBe(reason);
  });

  it("keeps the unit and says whether a fraction stands in lowest terms", () => {
    expect(readNumber("15 km")).toMatchObject({ unit: "km", lowestTerms: true });
    expect(readNumber("6/8")).toMatchObject({ lowestTerms: false });
    expect(readNumber("1 3/4 cups")).toMatchObject({ unit: "cups", lowestTerms: true });
  });
});
