import { expect, it } from "vitest";
import { writeNumber } from "@/core/answers/writeNumber";
import { fillText } from "@/core/items/fillText";
import { rational } from "@/core/numeric/rational";

it.each([
  [rational(7, 4), "fraction", "7/4"],
  [rational(7, 4), "mixed", "1 3/4"],
  [rational(3, 4), "mixed", "3/4"],
  [rational(-7, 4), "mixed", "-1 3/4"],
  [rational(7, 4), "decimal", "1.75"],
  [rational(1, 3), "decimal", "0.333333"],
  [rational(9, 2), "money", "4.50"],
  [rational(12), "money", "12"],
] as const)("writes %s as %s: %s", (value, format, expected) => {
  expect(writeNumber(value, format)).toBe(expected);
});

it("fills slots with numbers and words, and words may hold slots", () => {
  const words = { who: "Bo", sentence: "{who} has {n}" };
  expect(fillText("{sentence} and {n:money} €", { n: rational(5, 2) }, words)).toBe("Bo has 5/2 and 2.50 €");
  expect(() => fillText("{nobody}", {}, words)).toThrowError(expect.objectContaining({ code: "bad-item" }));
});
