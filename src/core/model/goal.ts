/** What a class's goal may count, each student for themselves. */
export const GOAL_UNITS = ["minutes", "pieces", "skills"] as const;
export type GoalUnit = (typeof GOAL_UNITS)[number];

/** Levels that skills may be aimed at. */
export const GOAL_LEVELS = ["developing", "secure"] as const;
export type GoalLevel = (typeof GOAL_LEVELS)[number];
