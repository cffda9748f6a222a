import { noEstimate } from "../model/noEstimate";
import type { Score } from "../model/score";
import { bisect } from "../numeric/bisect";
import type { Ability, NoAbility } from "./ability";
import { abilityGrid } from "./abilityGrid";
import { givenAnswers } from "./givenAnswers";
import type { ItemParameters } from "./item";
import { logLikelihood } from "./logLikelihood";
import { scoreSlope } from "./scoreSlope";
import { testInformation } from "./testInformation";

/**
 * Maximum-likelihood ability in logits with 1 / sqrt(information) as standard error (Lord 1980, chapter 4). The highest
 * maximum is taken; "no-answers", "all-right", "all-wrong" or "no-maximum" (guessing can make the likelihood highest at
 * minus infinity) when no finite one exists. Throws "bad-argument" for bad items or scores.
 * @example mle([{ a: 1, b: 0, c: 0 }], [1]).noEstimate // "all-right"
 */
export function mle(items: readonly ItemParameters[], scores: readonly Score[]): Ability | NoAbility {
  const given = givenAnswers(items, scores);
  if (given.length === 0) return noEstimate("no-answers");
  if (given.every(({ score }) => score === 1)) return noEstimate("all-right");
  if (given.every(({ score }) => score === 0)) return noEstimate("all-wrong");
  const grid = abilityGrid(given);
  let best = 0;
  let highest = Number.NEGATIVE_INFINITY;
  grid.forEach((theta, point) => {
    const value = logLikelihood(theta, given);
    if (value > highest) [best, highest] = [point, value];
  });
  const [before, after] = [grid[best - 1], grid[best + 1]];
  if (before === undefined || after === undefined || highest <= limitAtBottom(given)) return noEstimate("no-maximum");
  const theta = bisect((x) => scoreSlope(x, given), before, after);
  return {
    theta,
    se:
      1 /
      Math.sqrt(
        testInformation(
          theta,
          given.map(({ item }) => item),
        ),
      ),
    n: given.length,
  };
}

/** Log-likelihood as theta falls without end: right answers are then guessed. */
function limitAtBottom(given: ReturnType<typeof givenAnswers>): number {
  return given.reduce((sum, { item, score }) => sum + Math.log(score === 1 ? item.c : 1 - item.c), 0);
}
