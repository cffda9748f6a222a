/**
 * How far above a skill's difficulty an ability must lie to count as mastery, in logits: somebody at the boundary gets two
 * of three typical items of the skill right unaided.
 */
export const MASTERY_BOUNDARY = 0.75;
