import { information } from "../measurement/information";
import type { LinearConstraint, LinearModel, LinearTerm } from "../model/linearModel";
import { chosenName, type FormModel } from "./formModel";
import { CUT_POINTS, type FormProblem, MOST_DIFFERENCE } from "./formProblem";

/** The lowest information over forms and points. */
const LOWEST = "lowest";
/** Answers within 2 % of the best lowest information count as best: the last of it takes most of the time. */
const GOOD_ENOUGH = 0.02;

const one = (variable: string): LinearTerm => ({ variable, factor: 1 });

/** The whole model: information as high as can be where it is lowest, forms alike within the stated share. */
export function informationModel(problem: FormProblem, { soft, hard, binaries }: FormModel): LinearModel {
  const forms = Array.from({ length: problem.forms }, (_, form) => form);
  const known = new Set(binaries);
  const curve = (point: number, form: number, factor: number): LinearTerm[] =>
    problem.items.flatMap((item, place) => {
      const variable = chosenName(place, form);
      return known.has(variable) ? [{ variable, factor: factor * round(information(problem.cut + point, item)) }] : [];
    });
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
        .map(
          (other): LinearConstraint => ({
            terms: [...curve(point, form, 1), ...curve(point, other, -(1 + MOST_DIFFERENCE * SAFELY))],
            relation: "<=",
            bound: 0,
          }),
        ),
    ),
  );
  return {
    maximise: [one(LOWEST)],
    constraints: [...soft, ...hard, ...heights, ...alike],
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
