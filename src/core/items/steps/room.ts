import { slippedLine } from "../../answers/algebra/slippedLine";
import { type ItemRoom, type Mistake, sentList } from "../room";
import { typedText } from "../typedText";
import { type DrawnSteps, MOST_LINES, type ShownSteps, type StepsBody, type StepsResponse } from "./body";
import { check, writtenLines } from "./check";
import { draw } from "./draw";
import { followLines } from "./followLines";
import { responseWords } from "./responseWords";

export const stepsRoom: ItemRoom<StepsBody, DrawnSteps, ShownSteps, StepsResponse> = {
  ...typedText,
  draw,
  shown: ({ start }) => ({ start }),
  received: (_, sent) => {
    const lines = sentList(sent, "lines");
    return lines === null || lines.length > MOST_LINES ? null : { lines };
  },
  check,
  responseWords,
  said: (drawn, { lines }) => {
    const followed = followLines(drawn, writtenLines(lines));
    if (!followed.readable || followed.isEnd) return null;
    const { wrongLine, slip } = followed;
    return wrongLine === null
      ? { code: "not-ended" }
      : { code: "line-wrong", line: wrongLine, slip: slip?.kind ?? null };
  },
  texts: ({ start }) => [start],
  remarks: (body, _, drawn) =>
    mistakes(drawn).length < body.misconceptions.length ? [{ code: "slip-not-made", at: drawn.start }] : [],
  rightResponse: ({ way }) => ({ lines: way.map(({ line }) => line) }),
  mistakes,
};

/** For each slip that is told of: the right lines up to the first in which it can be made, and that one as the slip makes it. */
function mistakes({ start, way, slips }: DrawnSteps): Mistake<StepsResponse>[] {
  const lines = way.map(({ line }) => line);
  return slips.flatMap(({ id, slip }) => {
    for (const [place, step] of way.entries()) {
      const wrong = slippedLine(lines[place - 1] ?? start, step, slip);
      if (wrong !== null) return [{ misconceptionId: id, response: { lines: [...lines.slice(0, place), wrong] } }];
    }
    return [];
  });
}
