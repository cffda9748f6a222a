import { writeNumber } from "../../answers/writeNumber";
import { CoreError } from "../../model/fail";
import { type Rational, rational } from "../../numeric/rational";
import { numberFrom } from "../drawParameters";
import { isUnique } from "../namedTexts";
import type { DrawSetting } from "../room";
import type { AxisBody, Crossing, DrawnGrid, GridBody, PointBody } from "./body";
import { crossingName, crossingWords, sameCrossings } from "./crossings";

const MOST_LINES = 41;

interface Axis {
  readonly from: Rational;
  readonly step: Rational;
  readonly count: number;
}

/**
 * The grid with its lines. Throws "bad-item" where an axis has fewer than 2 lines or more than 41, a point lies on no crossing or
 * twice on one, or a line is not given by two points.
 */
export function draw(body: GridBody, setting: DrawSetting): DrawnGrid {
  const [across, up] = [axisOf(body.across, setting), axisOf(body.up, setting)];
  const crossings = (points: readonly PointBody[]): Crossing[] => {
    const found = points.map(({ x, y }): Crossing => [lineAt(x, across, setting), lineAt(y, up, setting)]);
    if (!isUnique(found.map(crossingName)) || (body.task === "line" && found.length !== 2))
      throw new CoreError("bad-item", `${setting.itemId} needs points that are told apart, two of a line.`, {
        reason: "points-alike",
      });
    return found;
  };
  const right = crossings(body.right);
  const numbers = ({ from, step, count }: Axis) =>
    Array.from({ length: count }, (_, line) => writeNumber(from.add(step.mul(rational(line))), "mixed"));
  const drawn = { across: numbers(across), up: numbers(up) };
  return {
    task: body.task,
    ...drawn,
    right,
    keyText: crossingWords(drawn, right),
    misconceptionPoints: body.misconceptions
      .map(({ id, points }) => ({ id, points: crossings(points) }))
      .filter(({ points }) => !sameCrossings(body.task, points, right)),
  };
}

function axisOf({ from, to, step }: AxisBody, { values, itemId }: DrawSetting): Axis {
  const [low, high, apart] = [from, to, step].map((text) => numberFrom(text, values));
  const count = low && high && apart && apart.compare(0) > 0 ? Math.floor(high.sub(low).div(apart).valueOf()) + 1 : 0;
  if (!low || !apart || count < 2 || count > MOST_LINES)
    throw new CoreError("bad-item", `The axes of ${itemId} need 2 to ${MOST_LINES} lines.`, { reason: "grid-lines" });
  return { from: low, step: apart, count };
}

function lineAt(text: string, { from, step, count }: Axis, { values, itemId }: DrawSetting): number {
  const place = numberFrom(text, values).sub(from).div(step);
  const at = place.valueOf();
  if (place.d !== 1n || at < 0 || at >= count)
    throw new CoreError("bad-item", `The grid of ${itemId} has no line at ${text}.`, {
      reason: "no-line-on-grid",
      at: text,
    });
  return at;
}
