import type { RunState } from "@/core/work/stateOfRun";

const WORDS: Readonly<Record<RunState, string>> = {
  "not-started": "not started",
  missed: "not done",
  working: "working",
  stuck: "stuck",
  budget: "finished",
  amount: "finished",
  mastered: "mastered",
  "handed-in": "handed in",
  "time-up": "handed in",
  placed: "placed",
  decided: "finished",
  read: "read",
};
/** Where it is told apart how it was finished. */
const ENDED: Readonly<Partial<Record<RunState, string>>> = {
  budget: "finished, not mastered",
  amount: "handed in",
  "time-up": "time was up",
};

/** Where a student is with a piece of work, as teachers say it. */
export const runWords = (state: RunState): string => WORDS[state];

/** The same with how it ended. */
export const runEndWords = (state: RunState): string => ENDED[state] ?? WORDS[state];
