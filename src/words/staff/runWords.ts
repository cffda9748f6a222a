import type { RunState } from "@/core/work/stateOfRun";

const WORDS: Readonly<Record<RunState, string>> = {
  "not-started": "not started",
  missed: "not done",
  working: "working",
  stuck: "stuck",
  budget: "finished, not mastered",
  amount: "handed in",
  mastered: "mastered",
};

/** Where a student is with a piece of work, as teachers say it. */
export const runWords = (state: RunState): string => WORDS[state];
