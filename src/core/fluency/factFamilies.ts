import type { Operation } from "../model/factSettings";
import { demandThat } from "../model/fail";
import type { Fact } from "./fact";
import type { FactFamily } from "./placeFacts";

/** Operands go up to one of these. */
export const HIGHEST_OPERANDS = [5, 10, 12, 15] as const;

/**
 * Families of sums, easiest first, each by what makes it so: an operand of nought or one, of two; equal operands; a sum of ten, or less; an operand
 * of nine or ten; operands one apart; the others over ten; an operand above ten.
 */
const SUM_FAMILIES = ["ones", "twos", "doubles", "tens", "within", "nines", "near", "over", "large"] as const;
/** Tables in the order in which they are taught; a product belongs to the later of its two. */
const TABLES = [1, 2, 10, 5, 4, 3, 9, 6, 8, 7, 11, 12, 13, 14, 15] as const;
const LARGEST = 15;

export type SumFamily = (typeof SUM_FAMILIES)[number];

/**
 * The families of an operation with operands up to the highest, easiest first, and every fact of it in exactly one: differences and quotients
 * stand with the sum or product that they take apart. Ids are the operation with the sum's kind or the table, such as "add-doubles" and "divide-7".
 * @throws CoreError "bad-argument", where this does not hold: Operands go up to a whole number from 1 to 15.
 * @example factFamilies("multiply", 10).map(({ id }) => id).at(-1) // "multiply-7"
 */
export function factFamilies(operation: Operation, highest: number): FactFamily[] {
  demandThat(
    Number.isInteger(highest) && highest >= 1 && highest <= LARGEST,
    "Operands go up to a whole number from 1 to 15.",
    { highest },
  );
  const sums = operation === "add" || operation === "subtract";
  const families = new Map<string, Fact[]>(
    (sums ? SUM_FAMILIES : TABLES).map((key) => [`${operation}-${key}`, [] as Fact[]]),
  );
  for (let first = 0; first <= highest; first++)
    for (let second = 0; second <= highest; second++) {
      // Nothing is divided by nought.
      if (operation === "divide" && second === 0) continue;
      const key = sums ? sumFamily(first, second) : tableOf(first, second);
      families.get(`${operation}-${key}`)?.push(factOf(operation, first, second));
    }
  return [...families].filter(([, facts]) => facts.length > 0).map(([id, facts]) => ({ id, facts }));
}

function factOf(operation: Operation, first: number, second: number): Fact {
  switch (operation) {
    case "subtract":
      return { operation, left: first + second, right: second };
    case "divide":
      return { operation, left: first * second, right: second };
    default:
      return { operation, left: first, right: second };
  }
}

function sumFamily(first: number, second: number): SumFamily {
  const [low, high] = [Math.min(first, second), Math.max(first, second)];
  if (low <= 1) return "ones";
  if (high > 10) return "large";
  if (low === 2) return "twos";
  if (low === high) return "doubles";
  if (low + high === 10) return "tens";
  if (low + high < 10) return "within";
  if (high >= 9) return "nines";
  return high - low === 1 ? "near" : "over";
}

function tableOf(first: number, second: number): number {
  const placeOf = (operand: number) => (TABLES as readonly number[]).indexOf(Math.max(1, operand));
  return TABLES[Math.max(placeOf(first), placeOf(second))] ?? 1;
}
