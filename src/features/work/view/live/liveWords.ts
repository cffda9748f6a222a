import { WRONG_IN_ROW } from "@/core/work/heldUpNow";
import type { LiveRow } from "../../liveTypes";

/** Who needs somebody first stands first. */
export const LIVE_ORDER: readonly LiveRow["state"][] = [
  "wrong-in-row",
  "quiet",
  "working",
  "between",
  "away",
  "not-started",
  "finished",
  "excused",
];

/** Those of whom there is something to see; the others are named. */
export const AT_WORK: readonly LiveRow["state"][] = ["wrong-in-row", "quiet", "working", "between"];

/** The sums over the board. */
export const SUMS: readonly {
  readonly states: readonly LiveRow["state"][];
  readonly words: string;
  readonly loud: boolean;
}[] = [
  { states: ["wrong-in-row", "quiet"], words: "held up now", loud: true },
  { states: ["working", "between"], words: "at work", loud: false },
  { states: ["away"], words: "away", loud: false },
  { states: ["not-started"], words: "not begun", loud: false },
  { states: ["finished"], words: "through", loud: false },
  { states: ["excused"], words: "excused", loud: false },
];

/** What runs for longer has no clock to look at. */
const MOST_MINUTES = 180;

/** Where a student is, in few words. */
export function liveWords(row: LiveRow): string {
  const { state, itemsDone, mostItems, quietMinutes, finishedAt, minutesLeft, part } = row;
  const left = minutesLeft === null || minutesLeft > MOST_MINUTES ? "" : `, ${Math.max(0, minutesLeft)} min left`;
  const at = `${part === "" ? "" : `${part}: `}${itemsDone} of at most ${mostItems}${left}`;
  switch (state) {
    case "not-started":
      return "not begun";
    case "wrong-in-row":
      return `${WRONG_IN_ROW} wrong in a row, ${at}`;
    case "quiet":
      return `no answer for ${quietMinutes} min, ${at}`;
    case "away":
      return `away for ${quietMinutes} min, ${at}`;
    case "between":
      return "between two parts";
    case "finished":
      return `through, ${finishedAt}`;
    case "excused":
      return "excused";
    case "working":
      return at;
  }
}
