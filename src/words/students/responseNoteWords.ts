import type { SlipKind } from "@/core/answers/algebra/slip";
import type { ResponseNote } from "@/core/items/room";
import { message } from "../message";

const SLIP_MESSAGES: Readonly<Record<SlipKind, string>> = {
  distribution: "Look at everything that the number at the bracket has to multiply.",
  sign: "Look at the signs.",
  "inverse-operation": "Look at what has to be done to both sides to take something away from one.",
  direction: "Look at the way the sign points.",
  arithmetic: "Work the numbers out again.",
};

/** What is said to a student of lines of work that are not right. */
export function responseNoteWords(note: ResponseNote): string {
  if (note.code === "not-ended") return "True so far. There is more to do.";
  const line = message("Line {line, number} does not say the same as the line before it.", { line: note.line });
  return note.slip === null ? line : `${line} ${SLIP_MESSAGES[note.slip]}`;
}
