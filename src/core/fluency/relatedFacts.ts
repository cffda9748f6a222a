import type { Fact } from "./fact";
import { factAnswer } from "./factAnswer";

/**
 * Facts with the same three numbers: operands turned round, and the inverse operations; the fact itself is not among them.
 * @example relatedFacts({ operation: "multiply", left: 6, right: 7 }).map(factId) // ["7*6", "42/7", "42/6"]
 */
export function relatedFacts(fact: Fact): Fact[] {
  const answer = factAnswer(fact);
  const { operation, left, right } = fact;
  const sums = operation === "add" || operation === "subtract";
  const [first, second, whole] =
    operation === "add" || operation === "multiply" ? [left, right, answer] : [answer, right, left];
  const direct = sums ? ("add" as const) : ("multiply" as const);
  const inverse = sums ? ("subtract" as const) : ("divide" as const);
  const family: Fact[] = [
    { operation: direct, left: first, right: second },
    { operation: direct, left: second, right: first },
    ...(sums || second > 0 ? [{ operation: inverse, left: whole, right: second }] : []),
    ...(sums || first > 0 ? [{ operation: inverse, left: whole, right: first }] : []),
  ];
  const key = (one: Fact) => `${one.operation} ${one.left} ${one.right}`;
  const others = new Map(family.map((one) => [key(one), one]));
  others.delete(key(fact));
  return [...others.values()];
}
