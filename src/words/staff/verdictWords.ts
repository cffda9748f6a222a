import type { OutcomeVerdict } from "@/core/grouping/reteachOutcome";

/** What a reteach brought one student, as teachers read it. */
export const VERDICT_WORDS: Readonly<Record<OutcomeVerdict, string>> = {
  "check-open": "check not handed in yet",
  learned: "has learned it",
  closer: "closer, not there yet",
  "round-again": "goes round again",
};
