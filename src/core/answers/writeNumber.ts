import type { Rational } from "../numeric/rational";

export type NumberFormat = "fraction" | "decimal" | "money" | "mixed";

/**
 * Writes an exact number: whole numbers plainly; others as "3/4", as a mixed number "1 3/4", or as a decimal (rounded to
 * six places, no trailing zeros), with "money" always two places unless whole.
 * @example writeNumber(rational(7, 4), "mixed") // "1 3/4"
 */
export function writeNumber(value: Rational, format: NumberFormat): string {
  const sign = value.s < 0n ? "-" : "";
  if (value.d === 1n) return `${sign}${value.n}`;
  switch (format) {
    case "fraction":
      return `${sign}${value.n}/${value.d}`;
    case "mixed": {
      const whole = value.n / value.d;
      return `${sign}${whole > 0n ? `${whole} ` : ""}${value.n % value.d}/${value.d}`;
    }
    case "money":
      return value.valueOf().toFixed(2);
    case "decimal":
      return String(Number(value.valueOf().toFixed(6)));
  }
}
