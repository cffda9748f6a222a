import { type NoEstimate, noEstimate } from "../model/noEstimate";
import { mean } from "../numeric/mean";

/** A score put onto another form, with its standard error from the sizes of the two groups. */
export interface EquatedScore {
  readonly score: number;
  readonly se: number;
}

/** Fewer students of a form tell neither its spread nor what that is worth. */
export const LEAST_OF_A_FORM = 10;

/**
 * The score on the second form that lies as many standard deviations from its mean as the score does on the first (linear equating;
 * Angoff 1971), where two groups alike by chance had a form each. The error holds for scores that are not normal too (Braun & Holland 1982). No estimate
 * under 10 students of a form or where all of them have one score.
 * @example linearEquating(6, [4, 5, 6, 7, 8, 4, 5, 6, 7, 8], [8, 10, 12, 14, 16, 8, 10, 12, 14, 16]).score // 12
 */
export function linearEquating(
  score: number,
  first: readonly number[],
  second: readonly number[],
): EquatedScore | NoEstimate<"too-few-students" | "no-variance"> {
  if (Math.min(first.length, second.length) < LEAST_OF_A_FORM) return noEstimate("too-few-students");
  const [own, other] = [shapeOf(first), shapeOf(second)];
  if (own.sd === 0 || other.sd === 0) return noEstimate("no-variance");
  const z = (score - own.mean) / own.sd;
  const unit = [own, other].reduce(
    (sum, { skewness, kurtosis, n }) => sum + (1 + z * skewness + (z * z * (kurtosis - 1)) / 4) / n,
    0,
  );
  return { score: other.mean + z * other.sd, se: other.sd * Math.sqrt(Math.max(0, unit)) };
}

/** Mean, spread, skewness and kurtosis (3 for a normal one) of scores as they are. */
function shapeOf(scores: readonly number[]) {
  const centre = mean(scores);
  const moment = (power: number) => mean(scores.map((score) => (score - centre) ** power));
  const sd = Math.sqrt(moment(2));
  return { mean: centre, sd, skewness: moment(3) / sd ** 3, kurtosis: moment(4) / sd ** 4, n: scores.length };
}
