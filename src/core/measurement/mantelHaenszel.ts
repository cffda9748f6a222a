import { demandThat } from "../model/fail";
import type { NoEstimate } from "../model/noEstimate";
import type { Score } from "../model/score";
import { type CommonOdds, commonOddsRatio } from "./commonOddsRatio";

/** How an item works in the focal group against the reference group, for students of the same total score. */
export interface ItemDifference extends CommonOdds {
  /** Delta metric: -2.35 ln(odds ratio); negative when the item is harder for the focal group. */
  readonly delta: number;
  readonly deltaSe: number;
  /** A negligible, B moderate, C large (Zieky 1993). */
  readonly size: "A" | "B" | "C";
  readonly n: number;
}

const DELTA_PER_LOG_ODDS = -2.35;
const MODERATE_DELTA = 1;
const LARGE_DELTA = 1.5;
const SIGNIFICANT = 0.05;
const ONE_SIDED = 1.645;

/**
 * Mantel-Haenszel statistics of each item (Holland & Thayer 1988; variance of the log odds ratio by Robins, Breslow &
 * Greenland 1986). `scores` one row a student; `group` 0 for the reference, 1 for the focal group. Students are matched on
 * their number right including the item; rows with an item not given are left out. "no-comparison" for an item that no
 * stratum compares. Throws "bad-argument" for ragged rows or other groups.
 * @example mantelHaenszel([[1], [0]], [0, 1]) // [{ noEstimate: "no-comparison" }]
 */
export function mantelHaenszel(
  scores: readonly (readonly Score[])[],
  group: readonly (0 | 1)[],
): (ItemDifference | NoEstimate<"no-comparison">)[] {
  const width = scores[0]?.length ?? 0;
  demandThat(
    scores.length === group.length && scores.every((row) => row.length === width),
    "Every row needs a group and one score for each item.",
    { rows: scores.length, groups: group.length },
  );
  demandThat(
    group.every((value) => value === 0 || value === 1),
    "A group is 0 (reference) or 1 (focal).",
  );
  const students = scores.flatMap((row, place) =>
    row.some((score) => score === null)
      ? []
      : [{ row, focal: group[place] === 1, total: row.filter((score) => score === 1).length }],
  );
  const totals = [...new Set(students.map(({ total }) => total))];
  return Array.from({ length: width }, (_, j) => {
    const strata = totals.map((total) => {
      const alike = students.filter((student) => student.total === total);
      const count = (focal: boolean, right: boolean) =>
        alike.filter((student) => student.focal === focal && (student.row[j] === 1) === right).length;
      return { a: count(false, true), b: count(false, false), c: count(true, true), d: count(true, false) };
    });
    const odds = commonOddsRatio(strata);
    if ("noEstimate" in odds) return odds;
    const delta = DELTA_PER_LOG_ODDS * Math.log(odds.oddsRatio);
    const deltaSe = Math.abs(DELTA_PER_LOG_ODDS) * odds.logSe;
    return { ...odds, delta, deltaSe, size: sizeOf(Math.abs(delta), deltaSe, odds.p), n: students.length };
  });
}

function sizeOf(delta: number, se: number, p: number): ItemDifference["size"] {
  if (p >= SIGNIFICANT || delta < MODERATE_DELTA) return "A";
  return delta >= LARGE_DELTA && (delta - MODERATE_DELTA) / se > ONE_SIDED ? "C" : "B";
}
