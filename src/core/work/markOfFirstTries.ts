import { type Rational, rational } from "../numeric/rational";
import type { PartSituation } from "./partSituation";

/**
 * The share right at the first try of the items that were answered, exact; one that earned part of what was possible counts
 * with that part. Null before the first answer.
 * @example markOfFirstTries({ items: [] }) // null
 */
export function markOfFirstTries({ items }: Pick<PartSituation, "items">): Rational | null {
  const shares = items.flatMap(({ earned, possible }) =>
    earned === null || possible === null ? [] : [rational(earned, possible)],
  );
  return shares.length === 0 ? null : shares.reduce((sum, share) => sum.add(share), rational(0)).div(shares.length);
}
