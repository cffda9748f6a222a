import { numberFrom } from "../drawParameters";
import { leftOut } from "../partRemark";
import type { ItemRoom } from "../room";
import type { DrawnNumberLine, LineMark, NumberLineBody, NumberLineResponse, ShownNumberLine } from "./body";
import { check } from "./check";
import { draw } from "./draw";
import { numberAt } from "./lineWords";
import { responseWords } from "./responseWords";

export const numberLineRoom: ItemRoom<NumberLineBody, DrawnNumberLine, ShownNumberLine, NumberLineResponse> = {
  draw,
  order: () => [],
  inOrder: (drawn) => drawn,
  optionTexts: () => [],
  shown: (drawn) => ({
    task: "point" in drawn.right ? "point" : "interval",
    numbers: Array.from({ length: drawn.places }, (_, place) => numberAt(drawn, place)),
    labelEvery: drawn.labelEvery,
  }),
  received: (_, sent) => {
    const mark = typeof sent === "object" && sent !== null ? (sent as { mark?: unknown }).mark : undefined;
    return isMark(mark) ? { mark } : null;
  },
  check,
  responseWords,
  texts: () => [],
  remarks: (body, _, drawn) => leftOut(body.misconceptions.length, drawn.misconceptionMarks.length),
  rightResponse: ({ right }) => ({ mark: right }),
  mistakes: ({ misconceptionMarks }) =>
    misconceptionMarks.map(({ id, mark }) => ({ misconceptionId: id, response: { mark } })),
  /** Any place for a point; for an interval any two ends, each in or out. */
  guessing: (body, values) => {
    const [from, to, step] = [body.from, body.to, body.step].map((text) => numberFrom(text, values).valueOf());
    const places = Math.floor(((to ?? 0) - (from ?? 0)) / (step ?? 1)) + 1;
    return "point" in body.right ? 1 / places : 1 / (2 * places) ** 2;
  },
};

function isMark(value: unknown): value is LineMark {
  if (typeof value !== "object" || value === null) return false;
  const { point, low, high, withLow, withHigh } = value as Record<string, unknown>;
  if (point !== undefined) return typeof point === "number" && Object.keys(value).length === 1;
  const isEnd = (end: unknown) => end === null || typeof end === "number";
  return isEnd(low) && isEnd(high) && typeof withLow === "boolean" && typeof withHigh === "boolean";
}
