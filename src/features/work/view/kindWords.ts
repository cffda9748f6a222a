import type { Certainty, WorkKind } from "@/core/model/work";

const SURELY: Readonly<Record<Certainty, string>> = {
  quicker: ", quicker than usual",
  usual: "",
  stricter: ", more strictly than usual",
};

interface KindWords {
  /** How it ends, for the head of its page. */
  readonly ends: (items: number, certainty?: Certainty) => string;
  /** Before the class in lists; empty for what is usual. */
  readonly inList: string;
}

/** What teachers read about each kind of work. */
export const KIND_WORDS: Readonly<Record<WorkKind, KindWords>> = {
  practice: {
    ends: (items, certainty = "usual") => `Until mastered${SURELY[certainty]}, at most ${items} items`,
    inList: "",
  },
  check: { ends: (items) => `Check of ${items} items`, inList: "check, " },
  quiz: {
    ends: (items) => `A test of ${items} ${items === 1 ? "item" : "items"}, one try each`,
    inList: "test, ",
  },
  diagnostic: {
    ends: (items) => `Finds where each student stands, at most ${items} items`,
    inList: "diagnostic, ",
  },
  sequential: {
    ends: () => "A short check: 2 to 5 items a skill, until it is clear",
    inList: "short check, ",
  },
  contrast: {
    ends: (items) => `Telling apart: ${items} items, half of them each skill alone, half mixed`,
    inList: "telling apart, ",
  },
  depth: {
    ends: (items) => `Each student at their own depth in the strand, ${items} items`,
    inList: "own depth, ",
  },
  review: { ends: () => "What was learned comes back, as far as the day’s minutes reach", inList: "review, " },
  lesson: { ends: () => "A lesson to read", inList: "lesson, " },
  paper: {
    ends: (items) => `A test on paper of ${items} ${items === 1 ? "item" : "items"}`,
    inList: "test on paper, ",
  },
  amount: {
    ends: (items) => `${items} ${items === 1 ? "item" : "items"}, the mark is the share right at the first try`,
    inList: "",
  },
};
