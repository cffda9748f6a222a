import { demandThat } from "../model/fail";
import { distribution } from "../numeric/distribution";

/** Fewer scores tell too little of who stands where. */
export const LEAST_SCORES = 5;

/** How the order in a test that we do not know goes with ability in a strand: a test of the strand, and one of the whole subject. */
export const SCORE_VALIDITY = { strand: 0.7, whole: 0.6 } as const;

/**
 * Abilities (logits) that scores of a test we know nothing of tell of those who took it. Only their order counts, as any scale, mark or level
 * keeps it: each is placed among the abilities of the grade by its normal score (Blom 1958), drawn to the middle as far as the test may measure
 * something else (regressed estimate, Kelley 1927). How hard the test was stays unknown, so the list as a whole lies where its grade does.
 * @param validity correlation of the scores with the ability, above 0 and below 1
 * @returns by the place of each score; null where all scores are alike, which tells nobody apart
 * @throws CoreError "bad-argument", where this does not hold: Placing by scores needs five scores or more, finite, and a validity between 0 and 1.
 * @example abilitiesFromScores([4, 4, 4, 4, 4], { mean: 0, sd: 1 }, 0.7) // null
 */
export function abilitiesFromScores(
  scores: readonly number[],
  prior: { readonly mean: number; readonly sd: number },
  validity: number,
): { readonly theta: number; readonly se: number }[] | null {
  demandThat(
    scores.length >= LEAST_SCORES && scores.every(Number.isFinite) && validity > 0 && validity < 1,
    "Placing by scores needs five scores or more, finite, and a validity between 0 and 1.",
    { scores: scores.length, validity },
  );
  if (scores.every((score) => score === scores[0])) return null;
  const se = prior.sd * Math.sqrt(1 - validity ** 2);
  return scores.map((score) => {
    const below = scores.filter((other) => other < score).length;
    const alike = scores.filter((other) => other === score).length;
    const rank = below + (alike + 1) / 2;
    const normalScore = distribution.normalQuantile((rank - 0.375) / (scores.length + 0.25));
    return { theta: prior.mean + prior.sd * validity * normalScore, se };
  });
}
