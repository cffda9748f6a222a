import type { RetakeRule } from "../model/work";
import { type Rational, rational } from "../numeric/rational";

/**
 * The mark that counts where somebody tried again: of marks in the order of the tries the latest, the best, or the exact mean; null without one.
 * @example countingMark([rational(1, 2), rational(3, 4)], "mean")?.toFraction() // "5/8"
 */
export function countingMark(marks: readonly Rational[], rule: RetakeRule): Rational | null {
  const last = marks.at(-1);
  if (last === undefined) return null;
  if (rule === "latest") return last;
  if (rule === "best") return marks.reduce((best, mark) => (mark.compare(best) > 0 ? mark : best));
  return marks.reduce((sum, mark) => sum.add(mark), rational(0)).div(marks.length);
}
