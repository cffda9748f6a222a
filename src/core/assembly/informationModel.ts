import { information } from "../measurement/information";
import type { ItemParameters } from "../measurement/item";
import { probability } from "../measurement/probability";
import type { LinearConstraint, LinearModel, LinearTerm } from "../model/linearModel";
import { chosenName, type FormModel } from "./formModel";
import { CUT_POINTS, type FormProblem, MOST_DIFFERENCE, MOST_SCORE_DIFFERENCE } from "./formProblem";

/** The lowest information over forms and points. */
const LOWEST = "lowest";
/** Answers within 2 % of the best lowest information count as best: the last of it takes most of the time. */
const GOOD_ENOUGH = 0.02;

const one = (variable: string): LinearTerm => ({ variable, factor: 1 });

/**
 * The whole model: information as high as can be where it is lowest; where forms are to be alike, information and expected scores within the
 * stated shares of each other.
 */
export function informationModel(
  problem: FormProblem,
  { soft, hard, binaries }: FormModel,
  areAlike: boolean,
): LinearModel {
  const forms = Array.from({ length: problem.forms }, (_, form) => form);
  const known = new Set(binaries);
  const sum = (of: (theta: number, item: ItemParameters) => number) => (point: number, form: number, factor: number) =>
    problem.items.flatMap((item, place): LinearTerm[] => {
      const variable = chosenName(place, form);
      return known.has(variable) ? [{ variable, factor: factor * round(of(problem.cut + point, item)) }] : [];
    });
  const curve = sum(information);
  const score = sum(probability);
  const heights = CUT_POINTS.flatMap((point) =>
    forms.map(
      (form): LinearConstraint => ({
        terms: [...curve(point, form, 1), { variable: LOWEST, factor: -1 }],
        relation: ">=",
        bound: 0,
      }),
    ),
  );
  const alike = CUT_POINTS.flatMap((point) =>
    forms.flatMap((form) =>
      forms
        .filter((other) => other !== form)
        .flatMap((other): LinearConstraint[] => [
          {
            terms: [...curve(point, form, 1), ...curve(point, other, -(1 + MOST_DIFFERENCE * SAFELY))],
            relation: "<=",
            bound: 0,
          },
          {
            terms: [...score(point, form, 1), ...score(point, other, -1)],
            relation: "<=",
            bound: MOST_SCORE_DIFFERENCE * problem.length * SAFELY,
          },
        ]),
    ),
  );
  return {
    maximise: [one(LOWEST)],
    constraints: [...soft, ...hard, ...heights, ...(areAlike ? alike : [])],
    binaries,
    continuous: [{ variable: LOWEST, low: 0, high: MOST_INFORMATION }],
    relativeGap: GOOD_ENOUGH,
  };
}

/** Kept a little inside, since the model sees rounded information. */
const SAFELY = 0.98;
const MOST_INFORMATION = 10_000;

/** Five decimals: more digits cost the solver time and change no choice. */
function round(value: number): number {
  return Math.round(value * 1e5) / 1e5;
}
