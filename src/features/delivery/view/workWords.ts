import type { WorkKind } from "@/core/model/work";
import type { SittingView, StudentWork } from "../types";

interface WorkWords {
  /** The button that hands an answer in. */
  readonly handIn: string;
  readonly left: (items: number) => string;
  /** What is said at the end. */
  readonly done: (view: SittingView) => { readonly head: string; readonly text: string };
  /** How finished work stands in the student's list. */
  readonly finished: (work: StudentWork) => string;
  /** What it is, before its due day. */
  readonly what: string;
}

const workedThrough = ({ itemsDone, itemsRight }: SittingView) =>
  `You worked through ${itemsDone} items; ${itemsRight} were right at the first try.`;

/** What students read about each kind of work. */
export const WORK_WORDS: Readonly<Record<WorkKind, WorkWords>> = {
  practice: {
    handIn: "Check",
    left: (items) => `At most ${items} more`,
    done: (view) =>
      view.finished === "mastered"
        ? {
            head: "You have got it",
            text: `${view.itemsRight} of ${view.itemsDone} were right at the first try, and you showed that you can do this.`,
          }
        : { head: "Done for now", text: `${workedThrough(view)} Your teacher sees what would help next.` },
    finished: ({ finished }) => (finished === "mastered" ? "mastered" : "worked through"),
    what: "",
  },
  check: {
    handIn: "Hand in this answer",
    left: (items) => `${items} to go`,
    done: () => ({ head: "Handed in", text: "Thank you. You will hear in class how it went." }),
    finished: () => "handed in",
    what: "a short check, ",
  },
  quiz: {
    handIn: "Next",
    left: (items) => `${items} to go`,
    done: (view) =>
      view.finished === "time-up"
        ? { head: "The time is up", text: "What you answered is handed in." }
        : { head: "Handed in", text: "Thank you. Your teacher shows you how it went." },
    finished: () => "handed in",
    what: "a test, ",
  },
  diagnostic: {
    handIn: "Next",
    left: (items) => `At most ${items} more, often fewer`,
    done: () => ({
      head: "That is all",
      text: "Thank you. Nothing here was right or wrong for a mark: it shows where to begin.",
    }),
    finished: () => "done",
    what: "finding where to begin, ",
  },
  sequential: {
    handIn: "Next",
    left: (items) => `At most ${items} more, often fewer`,
    done: () => ({ head: "That is all", text: "Thank you. Your teacher sees what would help next." }),
    finished: () => "done",
    what: "a short check, ",
  },
  contrast: {
    handIn: "Check",
    left: (items) => `${items} to go`,
    done: (view) => ({ head: "All done", text: workedThrough(view) }),
    finished: () => "worked through",
    what: "",
  },
  depth: {
    handIn: "Check",
    left: (items) => `${items} to go`,
    done: (view) => ({ head: "All done", text: workedThrough(view) }),
    finished: () => "worked through",
    what: "",
  },
  review: {
    handIn: "Check",
    left: () => "",
    done: (view) => ({
      head: "Done for today",
      text: `${workedThrough(view)} What you remembered comes back later than before; what you missed comes back soon.`,
    }),
    finished: () => "done",
    what: "",
  },
  lesson: {
    handIn: "Next",
    left: () => "",
    done: () => ({ head: "Read", text: "You can read it again at any time." }),
    finished: () => "read",
    what: "to read, ",
  },
  paper: {
    handIn: "Next",
    left: () => "",
    done: () => ({ head: "On paper", text: "Your teacher shows you how it went." }),
    finished: () => "on paper",
    what: "on paper, ",
  },
  amount: {
    handIn: "Check",
    left: (items) => `${items} to go`,
    done: (view) => ({ head: "All done", text: workedThrough(view) }),
    finished: () => "worked through",
    what: "",
  },
};
