/**
 * Need of a student for a skill: (1 - chance of mastery) * readiness * weight; 0 or more.
 * @example needOf(0.3, 1, 2).toFixed(2) // "1.40"
 */
export function needOf(chance: number, ready: number, weight: number): number {
  return (1 - chance) * ready * weight;
}
