import type { WorkKind } from "@/core/model/work";

interface KindWords {
  /** How it ends, for the head of its page. */
  readonly ends: (items: number) => string;
  /** Before the class in lists; empty for what is usual. */
  readonly inList: string;
}

/** What teachers read about each kind of work. */
export const KIND_WORDS: Readonly<Record<WorkKind, KindWords>> = {
  practice: { ends: (items) => `Until mastered, at most ${items} items`, inList: "" },
  check: { ends: (items) => `Check of ${items} items`, inList: "check, " },
  amount: { ends: (items) => `${items} items, the mark is the share right at the first try`, inList: "" },
};
