import type { PlanLine } from "../sharedTypes";

/** What somebody may do with a plan. */
export const PLAN_LEVEL_WORDS: Readonly<Record<PlanLine["level"], string>> = {
  use: "copy it",
  change: "change it",
  "look-after": "look after it",
};
