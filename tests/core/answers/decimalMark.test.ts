import { expect, it } from "vitest";
import { checkNumber } from "@/core/answers/checkNumber";
import { readNumber } from "@/core/answers/readNumber";
import { rational } from "@/core/numeric/rational";

it.each([
  ["1,500", "point", "1500"],
  ["1,500", "comma", "1.5"],
  ["1.500", "point", "1.5"],
  ["1.500", "comma", "1500"],
  ["0,125", "point", "0.125"],
  ["0.125", "comma", "0.125"],
  ["1.234,5", "point", "1234.5"],
  ["1,234.5", "comma", "1234.5"],
  ["1.234.567", "comma", "1234567"],
  ["3,5", "comma", "3.5"],
] as const)("%s where decimals come after a %s is %s", (text, decimalMark, value) => {
  const reading = readNumber(text, decimalMark);
  expect(reading.ok && reading.value.equals(rational(value))).toBe(true);
});

it("asks for a number again that is right only with the other mark, never marks it wrong", () => {
  const rule = { value: rational(1500), decimalMark: "comma" } as const;
  expect(checkNumber("1.500", rule).verdict).toBe("right");
  expect(checkNumber("1,500", rule)).toEqual({ verdict: "unreadable", reason: "two-readings" });
  expect(checkNumber("1,501", rule).verdict).toBe("wrong");
});
