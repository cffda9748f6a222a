import type { Certainty } from "@/core/model/work";

/** How sure practice has to be, with what follows from it as `npm run prove` finds it. */
export const SURE: Readonly<Record<Certainty, { readonly choice: string; readonly note: string }>> = {
  quicker: {
    choice: "quicker",
    note: "Of 100 who can't do it yet about 7 pass, 17 if the items are easier than thought. Half of those who pass do so within 8 items.",
  },
  usual: {
    choice: "as usual",
    note: "Of 100 who can't do it yet about 2 pass, 9 if the items are easier than thought. Half of those who pass do so within 10 items.",
  },
  stricter: {
    choice: "stricter",
    note: "Of those who can't do it yet hardly anybody passes. Half of those who pass need 18 items or more.",
  },
};

export const PRACTICE_NOTE = "Mastered takes 4 answers without a hint, on 2 kinds of item, and enough of them right.";
export const AMOUNT_NOTE =
  "Everybody gets items as hard as everybody else's. The first try counts; the mark is the share right.";
export const PICKED_NOTE = "Everybody gets these items. The first try counts; the mark is the share right.";
export const RUN_NOTE = "Runs of right answers say less than the chance of mastery: a lucky run ends it too.";
export const NET_NOTE = "A right answer adds one, a wrong one takes off the penalty, never under nought.";
export const CONTRAST_NOTE =
  "Half of the items with each skill alone, half mixed. You see how many were right alone, and how many when nothing said which it was.";
export const DEPTH_NOTE = "Each student works at what is next for them; what counts as mastered is the same for all.";
