/** Need of a student for a skill: (1 - chance of mastery) * readiness * weight; 0 or more. */
export function needOf(chance: number, ready: number, weight: number): number {
  return (1 - chance) * ready * weight;
}
