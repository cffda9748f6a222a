/** Where a part of a plan may be worked on. */
export const PLAN_PLACES = ["school", "home", "both"] as const;
export type PlanPlace = (typeof PLAN_PLACES)[number];

/** At their own pace, or together with the class's dates. */
export const PLAN_PACES = ["own", "class"] as const;
export type PlanPace = (typeof PLAN_PACES)[number];
