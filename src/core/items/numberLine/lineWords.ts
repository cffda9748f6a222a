import { writeNumber } from "../../answers/writeNumber";
import { rational } from "../../numeric/rational";
import type { DrawnNumberLine, LineMark } from "./body";

/**
 * The number at a place of a line, as it is written.
 * @example numberAt({ from: rational(1), step: rational(1, 2), format: "mixed" }, 1) // "1 1/2"
 */
export const numberAt = (
  { from, step, format }: Pick<DrawnNumberLine, "from" | "step" | "format">,
  place: number,
): string => writeNumber(from.add(step.mul(rational(place))), format);

/**
 * A mark as it is written: a number, or an inequality of x. `written`: the number at a place.
 * @example markWords(String, { low: 1, high: null, withLow: true, withHigh: false }) // "x ≥ 1"
 */
export function markWords(written: (place: number) => string, mark: LineMark): string {
  if ("point" in mark) return written(mark.point);
  const { low, high, withLow, withHigh } = mark;
  if (low === null) return high === null ? "" : `x ${withHigh ? "≤" : "<"} ${written(high)}`;
  if (high === null) return `x ${withLow ? "≥" : ">"} ${written(low)}`;
  return `${written(low)} ${withLow ? "≤" : "<"} x ${withHigh ? "≤" : "<"} ${written(high)}`;
}

/**
 * Whether two marks are the same; an end that is not there is neither in nor out.
 * @example sameMark({ point: 3 }, { point: 3 }) // true
 */
export function sameMark(one: LineMark, other: LineMark): boolean {
  if ("point" in one || "point" in other) return "point" in one && "point" in other && one.point === other.point;
  return sameEnds(one, other).every(Boolean);
}

type Interval = Exclude<LineMark, { readonly point: number }>;

/**
 * Whether the lower ends agree, and the upper ones.
 * @example sameEnds({ low: 1, high: null, withLow: true, withHigh: false }, { low: 1, high: 4, withLow: true, withHigh: false }) // [true, false]
 */
export function sameEnds(one: Interval, other: Interval): [boolean, boolean] {
  return [
    one.low === other.low && (one.low === null || one.withLow === other.withLow),
    one.high === other.high && (one.high === null || one.withHigh === other.withHigh),
  ];
}
