import { demandThat } from "../model/fail";
import { type NoEstimate, noEstimate } from "../model/noEstimate";
import { bisect } from "../numeric/bisect";
import { expectedScore } from "./expectedScore";
import type { ItemParameters } from "./item";

const FURTHEST = 60;

/**
 * The score on the second form that the ability behind a score on the first would get (true-score equating; Lord 1980, chapter 13): the
 * ability at which the first form's expected score is that score, put into the second's. None at or under the sum of the guessing chances, nor
 * at the highest score, where no ability is behind it.
 * @throws CoreError "bad-argument", where this does not hold: A score lies within 0 and the number of items.
 * @example equatedScore(1, [{ a: 1, b: 0, c: 0 }, { a: 1, b: 0, c: 0 }], [{ a: 1, b: 0, c: 0 }]).toFixed(2) // "0.50"
 */
export function equatedScore(
  score: number,
  first: readonly ItemParameters[],
  second: readonly ItemParameters[],
): number | NoEstimate<"no-ability"> {
  demandThat(
    score >= 0 && score <= first.length && first.length > 0,
    "A score lies within 0 and the number of items.",
    {
      score,
      items: first.length,
    },
  );
  const lowest = first.reduce((sum, { c }) => sum + c, 0);
  if (score <= lowest || score >= first.length) return noEstimate("no-ability");
  const theta = bisect((at) => score - expectedScore(at, first), -FURTHEST, FURTHEST);
  return expectedScore(theta, second);
}
