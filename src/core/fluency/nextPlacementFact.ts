import type { Fact } from "./fact";
import { factId } from "./factId";
import { type FactFamily, type PlacementAnswer, placeFacts } from "./placeFacts";

/**
 * The next fact to ask: one not asked yet of the first family that has not ended; null when placement is over.
 * @example nextPlacementFact([{ id: "tens", facts: [{ operation: "add", left: 4, right: 6 }] }], [], () => 0).familyId // "tens"
 */
export function nextPlacementFact(
  families: readonly FactFamily[],
  answers: readonly PlacementAnswer[],
  random: () => number,
): { readonly familyId: string; readonly fact: Fact } | null {
  const asked = new Set(answers.map((answer) => answer.factId));
  const open = placeFacts(families, answers).find(({ ended }) => ended === null);
  const left = families.find(({ id }) => id === open?.familyId)?.facts.filter((fact) => !asked.has(factId(fact))) ?? [];
  const fact = left[Math.floor(random() * left.length)];
  return open && fact ? { familyId: open.familyId, fact } : null;
}
