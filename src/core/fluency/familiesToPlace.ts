import { type FactFamily, type PlacementAnswer, placeFacts } from "./placeFacts";

/**
 * The families that placement still has to do with: of each operation those up to the first that is plainly too hard. What comes after it
 * builds on it, and is learned from the beginning.
 * @param operations each with its families, easiest first
 * @example familiesToPlace([[{ id: "tens", facts: [{ operation: "add", left: 4, right: 6 }] }]], []).map(({ id }) => id) // ["tens"]
 */
export function familiesToPlace(
  operations: readonly (readonly FactFamily[])[],
  answers: readonly PlacementAnswer[],
): FactFamily[] {
  return operations.flatMap((families) => {
    const hard = placeFacts(families, answers).findIndex(({ ended }) => ended === "too-hard");
    return hard < 0 ? families : families.slice(0, hard + 1);
  });
}
