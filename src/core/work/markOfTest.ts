import { type Rational, rational } from "../numeric/rational";
import { type SittingItem, shareOfFirst } from "./sittingItem";

/**
 * The share of a test's points that was earned, exact, over all its items: what was left blank or never reached earned nothing. An item of no
 * points weighs nothing. Null where no item weighs anything.
 * @example markOfTest([{ points: 2, earned: 1, possible: 2 }, { points: 1, earned: null, possible: null }])?.toFraction() // "1/3"
 */
export function markOfTest(items: readonly Pick<SittingItem, "points" | "earned" | "possible">[]): Rational | null {
  const most = items.reduce((sum, { points }) => sum + points, 0);
  if (most === 0) return null;
  return items.reduce((sum, item) => sum.add(shareOfFirst(item).mul(item.points)), rational(0)).div(most);
}
