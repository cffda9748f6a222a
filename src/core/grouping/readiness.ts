/**
 * Chance that all prerequisites of a skill are mastered, taken as independent: the product of their chances. 1 for a skill
 * that builds on nothing. `chances` gives the chance of mastery by skill id; an unknown skill counts as 0.
 * @example readiness(["a", "b"], new Map([["a", 0.9], ["b", 0.5]])).toFixed(2) // "0.45"
 */
export function readiness(prerequisites: readonly string[], chances: ReadonlyMap<string, number>): number {
  return prerequisites.reduce((product, id) => product * (chances.get(id) ?? 0), 1);
}
