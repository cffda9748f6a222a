import { numberFrom } from "../drawParameters";
import { leftOut } from "../partRemark";
import type { ItemRoom } from "../room";
import type { DrawnShading, ShadingBody, ShadingResponse, ShownShading } from "./body";
import { check } from "./check";
import { draw } from "./draw";
import { responseWords } from "./responseWords";

export const shadingRoom: ItemRoom<ShadingBody, DrawnShading, ShownShading, ShadingResponse> = {
  draw,
  order: () => [],
  inOrder: (drawn) => drawn,
  optionTexts: () => [],
  shown: ({ parts, columns }) => ({ parts, columns }),
  received: (_, sent) => {
    const shaded = typeof sent === "object" && sent !== null ? (sent as { shaded?: unknown }).shaded : undefined;
    return Array.isArray(shaded) && shaded.every((part) => typeof part === "number") ? { shaded } : null;
  },
  check,
  responseWords,
  texts: () => [],
  remarks: (body, _, drawn) => leftOut(body.misconceptions.length, drawn.misconceptionCounts.length),
  rightResponse: ({ right }) => ({ shaded: firstOf(right) }),
  mistakes: ({ misconceptionCounts }) =>
    misconceptionCounts.map(({ id, count }) => ({ misconceptionId: id, response: { shaded: firstOf(count) } })),
  /** Any number of parts, none left out. */
  guessing: ({ parts }, values) => 1 / numberFrom(parts, values).valueOf(),
};

const firstOf = (count: number): number[] => Array.from({ length: count }, (_, part) => part);
