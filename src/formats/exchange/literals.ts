import { type Rational, rational } from "@/core/numeric/rational";

const DECIMAL = /^-?\d{1,15}(\.\d{1,15})?$/;
const FRACTION = /^(-?\d{1,9})\s*\/\s*(\d{1,9})$/;

/**
 * A number as files write it: whole, decimal or a fraction. Nothing else is taken for one: what is read here becomes an expression.
 * @example numberLiteral(" +7 / 8 ") // "7/8"
 */
export function numberLiteral(text: string): string | null {
  const plain = text.trim().replace(/^\+/, "").replace("−", "-");
  if (DECIMAL.test(plain)) return plain;
  const [, above, below] = FRACTION.exec(plain) ?? [];
  return below !== undefined && Number(below) !== 0 ? `${above}/${below}` : null;
}

/** Its value; null for what is no number written out. */
export function literalValue(text: string): Rational | null {
  const plain = numberLiteral(text);
  if (plain === null) return null;
  const [above, below] = plain.split("/");
  return below === undefined ? rational(plain) : rational(Number(above), Number(below));
}

/** Whether a value can be written with a decimal point, to its end. */
export function isDecimal({ d }: Rational): boolean {
  let rest = Number(d);
  for (const factor of [2, 5]) while (rest % factor === 0) rest /= factor;
  return rest === 1;
}
