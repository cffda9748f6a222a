import { demandThat } from "../model/fail";
import { distribution } from "../numeric/distribution";
import { mean } from "../numeric/mean";
import { sampleVariance } from "../numeric/sampleVariance";

export interface GainOptions {
  /** Standard errors of measurement of the two tests, in points. */
  readonly semPre: number;
  readonly semPost: number;
  /** Most points of the tests; without it there is no normalised gain. */
  readonly maximum?: number;
  /** Level of the intervals; 0.95 unless stated. */
  readonly level?: number;
}

export interface StudentGain {
  readonly difference: number;
  /** sqrt(semPre^2 + semPost^2), and the interval it gives. */
  readonly se: number;
  readonly low: number;
  readonly high: number;
  /** Beyond the error of both tests or not (reliable change index against the level's normal deviate). */
  readonly change: "up" | "down" | "within-error";
  /** Share of the points still open that were won; negative for a loss; null at the maximum. */
  readonly normalised: number | null;
}

export interface ClassGain {
  readonly n: number;
  readonly difference: number;
  /** Interval of the mean difference by Student's t; null for one student. */
  readonly interval: { readonly low: number; readonly high: number } | null;
  /** Standardised mean difference with Hedges' correction; null when neither test varies or for one student. */
  readonly effect: number | null;
  readonly normalised: number | null;
}

const USUAL_LEVEL = 0.95;

/**
 * Gain from a first to a second test on the same scale, for each student and the class; `pre` and `post` in the same order
 * of students. Reliable change: Jacobson & Truax 1991. Normalised gain: Hake 1998. Effect: mean difference over the pooled
 * standard deviation, times 1 - 3 / (4 (2n - 2) - 1) (Hedges 1981). Null for no students. Throws "bad-argument" for unequal
 * lengths, a negative error or points over the maximum.
 * @example gain([20, 22], [30, 22], { semPre: 3, semPost: 4, maximum: 50 }).students.map(({ change }) => change) // ["up", "within-error"]
 */
export function gain(
  pre: readonly number[],
  post: readonly number[],
  options: GainOptions,
): { readonly students: readonly StudentGain[]; readonly class: ClassGain | null } {
  const { semPre, semPost, maximum, level = USUAL_LEVEL } = options;
  demandThat(pre.length === post.length, "A gain needs both scores of every student.", {
    pre: pre.length,
    post: post.length,
  });
  demandThat(semPre >= 0 && semPost >= 0 && level > 0 && level < 1, "Errors are 0 or more, the level within 0 to 1.", {
    semPre,
    semPost,
    level,
  });
  demandThat(
    [...pre, ...post].every((score) => Number.isFinite(score) && (maximum === undefined || score <= maximum)),
    "Scores are finite and not above the maximum.",
    { maximum },
  );
  const se = Math.hypot(semPre, semPost);
  const reach = distribution.normalQuantile(1 - (1 - level) / 2) * se;
  const students = pre.map((before, place): StudentGain => {
    const after = post[place] ?? before;
    const difference = after - before;
    const change = Math.abs(difference) > reach ? (difference > 0 ? "up" : "down") : "within-error";
    const normalised = normalisedGain(before, after, maximum);
    return { difference, se, low: difference - reach, high: difference + reach, change, normalised };
  });
  return { students, class: pre.length > 0 ? classGain(pre, post, maximum, level) : null };
}

function normalisedGain(before: number, after: number, maximum: number | undefined): number | null {
  return maximum === undefined || before >= maximum ? null : (after - before) / (maximum - before);
}

function classGain(
  pre: readonly number[],
  post: readonly number[],
  maximum: number | undefined,
  level: number,
): ClassGain {
  const n = pre.length;
  const differences = pre.map((before, place) => (post[place] ?? before) - before);
  const difference = mean(differences);
  const normalised = normalisedGain(mean(pre), mean(post), maximum);
  if (n < 2) return { n, difference, interval: null, effect: null, normalised };
  const half = distribution.studentQuantile(1 - (1 - level) / 2, n - 1) * Math.sqrt(sampleVariance(differences) / n);
  const spread = Math.sqrt((sampleVariance(pre) + sampleVariance(post)) / 2);
  const correction = 1 - 3 / (4 * (2 * n - 2) - 1);
  return {
    n,
    difference,
    interval: { low: difference - half, high: difference + half },
    effect: spread > 0 ? (correction * difference) / spread : null,
    normalised,
  };
}
