import type { Fact } from "./fact";
import { factAnswer } from "./factAnswer";

/**
 * The smaller of the two numbers that a fact puts together or takes apart: the larger it is, the less the fact is known without being learned.
 * @example smallerPart({ operation: "divide", left: 56, right: 7 }) // 7
 */
export function smallerPart(fact: Fact): number {
  const { operation, left, right } = fact;
  return Math.min(right, operation === "add" || operation === "multiply" ? left : factAnswer(fact));
}
