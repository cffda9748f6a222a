import { numberFrom, type ParameterValues } from "../drawParameters";
import { leftOut } from "../partRemark";
import type { ItemRoom } from "../room";
import type { AxisBody, Crossing, DrawnGrid, GridBody, GridResponse, ShownGrid } from "./body";
import { check } from "./check";
import { draw } from "./draw";
import { responseWords } from "./responseWords";

export const gridRoom: ItemRoom<GridBody, DrawnGrid, ShownGrid, GridResponse> = {
  draw,
  order: () => [],
  inOrder: (drawn) => drawn,
  optionTexts: () => [],
  shown: ({ task, across, up }) => ({ task, across, up }),
  received: (_, sent) => {
    const points = typeof sent === "object" && sent !== null ? (sent as { points?: unknown }).points : undefined;
    return Array.isArray(points) && points.every(isCrossing) ? { points } : null;
  },
  check,
  responseWords,
  texts: () => [],
  remarks: (body, _, drawn) => leftOut(body.misconceptions.length, drawn.misconceptionPoints.length),
  rightResponse: ({ right }) => ({ points: right }),
  mistakes: ({ misconceptionPoints }) =>
    misconceptionPoints.map(({ id, points }) => ({ misconceptionId: id, response: { points } })),
  /** As many crossings as are wanted, set anywhere. */
  guessing: ({ across, up, task, right }, values) =>
    (1 / (linesOf(across, values) * linesOf(up, values))) ** (task === "line" ? 1 : right.length),
};

function linesOf({ from, to, step }: AxisBody, values: ParameterValues): number {
  const [low = 0, high = 0, apart = 1] = [from, to, step].map((text) => numberFrom(text, values).valueOf());
  return Math.floor((high - low) / apart) + 1;
}

const isCrossing = (value: unknown): value is Crossing =>
  Array.isArray(value) && value.length === 2 && value.every((at) => typeof at === "number");
