/** Where a part of a plan may be worked on. */
export const PLAN_PLACES = ["school", "home", "both"] as const;
export type PlanPlace = (typeof PLAN_PLACES)[number];

/** What somebody else may do with a plan: copy it and give it to classes, or change it too. */
export const PLAN_LEVELS = ["use", "change"] as const;
export type PlanLevel = (typeof PLAN_LEVELS)[number];

/** At their own pace, or together with the class's dates. */
export const PLAN_PACES = ["own", "class"] as const;
export type PlanPace = (typeof PLAN_PACES)[number];

/** By what a student's beginning in a plan is set: what they have shown, their grade, a slot chosen by hand, or the plan's own beginning. */
export const PLAN_START_FROM = ["shown", "grade", "slot", "first"] as const;
export type PlanStartFrom = (typeof PLAN_START_FROM)[number];
