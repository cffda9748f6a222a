/** Whether a skill was ever mastered and is now: faded with time, or lost by answers, it was mastered once and is not now. */
export type MasteryMark = "never" | "now" | "faded" | "lost";
