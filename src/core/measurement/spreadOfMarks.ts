import { demandThat } from "../model/fail";
import { mean } from "../numeric/mean";
import { median } from "../numeric/median";
import type { Rational } from "../numeric/rational";
import { sampleVariance } from "../numeric/sampleVariance";
import { reachesCut } from "./reachesCut";
import { type ShareInterval, wilson } from "./wilson";

export interface SpreadOfMarks {
  readonly n: number;
  /** Shares, 0 to 1. */
  readonly mean: number;
  readonly median: number;
  /** Standard deviation (n - 1); null for one mark. */
  readonly sd: number | null;
  /** Marks at or above the line, with the 95 % interval of their share. */
  readonly atLine: number;
  readonly reached: ShareInterval;
  /** Marks of each tenth: from 0 to under 10 %, and so on; the last holds 100 %. */
  readonly tenths: readonly number[];
}

const TENTHS = 10;
const LEVEL = 0.95;

/**
 * How marks lie, and how many reach a line (per cent); the line is compared exactly. Null without a mark.
 * @throws CoreError "bad-argument", where this does not hold: Marks lie within 0 to 1.
 * @example spreadOfMarks([rational(7, 10), rational(2, 3)], 70)?.atLine // 1
 */
export function spreadOfMarks(marks: readonly Rational[], linePercent: number): SpreadOfMarks | null {
  if (marks.length === 0) return null;
  const shares = marks.map((mark) => mark.valueOf());
  demandThat(
    shares.every((share) => share >= 0 && share <= 1),
    "Marks lie within 0 to 1.",
  );
  const atLine = marks.filter((mark) => reachesCut(mark, linePercent)).length;
  const tenthOf = (mark: Rational) => Math.min(TENTHS - 1, mark.mul(TENTHS).floor().valueOf());
  return {
    n: marks.length,
    mean: mean(shares),
    median: median(shares),
    sd: marks.length > 1 ? Math.sqrt(sampleVariance(shares)) : null,
    atLine,
    reached: wilson(atLine, marks.length, LEVEL),
    tenths: Array.from({ length: TENTHS }, (_, place) => marks.filter((mark) => tenthOf(mark) === place).length),
  };
}
