import { CoreError } from "../../model/fail";
import { numberFrom } from "../drawParameters";
import type { DrawSetting } from "../room";
import type { DrawnNumberLine, LineMark, LineMarkBody, NumberLineBody } from "./body";
import { markWords, numberAt, sameMark } from "./lineWords";

const MOST_PLACES = 201;

/**
 * The line with its places. Throws "bad-item" where it has fewer than 2 places or more than 201, where the right mark or a telling one
 * lies between two of them, or an interval has no end or ends before it begins.
 */
export function draw(body: NumberLineBody, { values, itemId }: DrawSetting): DrawnNumberLine {
  const [from, to, step] = [body.from, body.to, body.step].map((text) => numberFrom(text, values));
  if (!from || !to || !step || step.compare(0) <= 0 || to.compare(from) <= 0)
    throw new CoreError("bad-item", `The line of ${itemId} needs a step and an end after its beginning.`, {
      reason: "line-ends",
    });
  const places = Math.floor(to.sub(from).div(step).valueOf()) + 1;
  const labelEvery = body.labelEvery === undefined ? 1 : numberFrom(body.labelEvery, values).valueOf();
  const line = { from, step, places, format: /\d?\.\d/.test(body.step) ? ("decimal" as const) : ("mixed" as const) };
  const placeOf = (text: string): number => {
    const place = numberFrom(text, values).sub(from).div(step);
    const at = place.valueOf();
    if (place.d !== 1n || at < 0 || at >= places)
      throw new CoreError("bad-item", `The line of ${itemId} has no place for ${text}.`, {
        reason: "no-place-on-line",
        at: text,
      });
    return at;
  };
  const markOf = (mark: LineMarkBody): LineMark => {
    if ("point" in mark) return { point: placeOf(mark.point) };
    const [low, high] = [mark.low, mark.high].map((end) => (end === null ? null : placeOf(end)));
    const isEmpty =
      low === null || high === null || low === undefined || high === undefined ? low === high : low > high;
    if (isEmpty)
      throw new CoreError("bad-item", `An interval of ${itemId} needs ends that do not cross.`, {
        reason: "interval-empty",
      });
    return { low: low ?? null, high: high ?? null, withLow: mark.withLow, withHigh: mark.withHigh };
  };
  if (places < 2 || places > MOST_PLACES || !Number.isInteger(labelEvery) || labelEvery < 1)
    throw new CoreError("bad-item", `The line of ${itemId} needs 2 to ${MOST_PLACES} places.`, {
      reason: "line-places",
    });
  const right = markOf(body.right);
  return {
    ...line,
    labelEvery,
    right,
    keyText: markWords((place) => numberAt(line, place), right),
    misconceptionMarks: body.misconceptions
      .map(({ id, mark }) => ({ id, mark: markOf(mark) }))
      .filter(({ mark }) => !sameMark(mark, right)),
  };
}
