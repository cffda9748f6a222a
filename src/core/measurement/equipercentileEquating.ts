import { demandThat } from "../model/fail";
import { type NoEstimate, noEstimate } from "../model/noEstimate";
import { type EquatedScore, LEAST_OF_A_FORM } from "./linearEquating";

/**
 * The score on the second form below which as many of its group lie as lie below the score in the first form's group (equipercentile
 * equating; Angoff 1971, Kolen & Brennan 2014), whole scores standing for all within half a point. Two groups alike by chance had a form each. Error by Lord (1982).
 * No estimate under 10 students of a form, nor where nobody or everybody of the first group lies lower.
 * @throws CoreError "bad-argument", where this does not hold: Scores are whole numbers.
 * @example equipercentileEquating(2, [1, 2, 3, 1, 2, 3, 1, 2, 3, 2], [2, 4, 6, 2, 4, 6, 2, 4, 6, 4]).score // 4
 */
export function equipercentileEquating(
  score: number,
  first: readonly number[],
  second: readonly number[],
): EquatedScore | NoEstimate<"too-few-students" | "beyond-the-scores"> {
  demandThat([score, ...first, ...second].every(Number.isInteger), "Scores are whole numbers.", { score });
  if (Math.min(first.length, second.length) < LEAST_OF_A_FORM) return noEstimate("too-few-students");
  const rank = shareWithin(first, (own) => own < score) + shareWithin(first, (own) => own === score) / 2;
  if (rank <= 0 || rank >= 1) return noEstimate("beyond-the-scores");
  // The lowest score at which more than that share is reached: half a point under it the share below begins.
  const upper = [...new Set(second)].sort((x, y) => x - y).find((at) => shareWithin(second, (own) => own <= at) > rank);
  if (upper === undefined) return noEstimate("beyond-the-scores");
  const below = shareWithin(second, (own) => own < upper);
  const there = shareWithin(second, (own) => own === upper);
  const [n, m] = [first.length, second.length];
  const variance =
    ((rank * (1 - rank) * (n + m)) / (n * m) - ((below + there - rank) * (rank - below)) / (m * there)) / there ** 2;
  return { score: upper - 0.5 + (rank - below) / there, se: Math.sqrt(Math.max(0, variance)) };
}

function shareWithin(scores: readonly number[], belongs: (score: number) => boolean): number {
  return scores.filter(belongs).length / scores.length;
}
