import type { Fact } from "./fact";
import { factAnswer } from "./factAnswer";

const SIGNS = { add: "+", subtract: "-", multiply: "*", divide: "/" } as const;

/**
 * A fact as a short text that names it, such as "7*8". Throws "bad-argument" for facts without a whole answer from 0.
 * @example factId({ operation: "multiply", left: 6, right: 7 }) // "6*7"
 */
export function factId(fact: Fact): string {
  factAnswer(fact);
  return `${fact.left}${SIGNS[fact.operation]}${fact.right}`;
}
