import type { WrittenScore } from "@/core/roster/readScores";

const PERCENT = 100;

/** A score as it was written: "14", "14 of 20", "70 %"; a dash for none. */
export function scoreWords(score: WrittenScore | null): string {
  if (!score) return "–";
  if (score.outOf === null) return String(score.score);
  return score.outOf === PERCENT ? `${score.score} %` : `${score.score} of ${score.outOf}`;
}
