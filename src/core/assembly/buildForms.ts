import { expectedScore } from "../measurement/expectedScore";
import { testInformation } from "../measurement/testInformation";
import type { SolveLinearModel } from "../model/linearModel";
import { type Conflict, explainConflict } from "./explainConflict";
import { chosenName, formModel } from "./formModel";
import { type AssemblyItem, CUT_POINTS, demandFormProblem, type FormProblem } from "./formProblem";
import { formsGreedily } from "./formsGreedily";
import { informationModel } from "./informationModel";
import { meetsAll } from "./meetsAll";

export interface BuiltForm {
  readonly itemIds: readonly string[];
  /** Information at cut - 1, cut and cut + 1. */
  readonly information: readonly number[];
}

export type FormsResult =
  | {
      readonly status: "built";
      readonly forms: readonly BuiltForm[];
      /** "best": proven within 2 %; "good": the best found in time; "greedy": found without the solver. */
      readonly quality: "best" | "good" | "greedy";
      /** Largest share by which two forms differ in information at a point, and in expected score (of all points). */
      readonly difference: number;
      readonly scoreDifference: number;
    }
  | {
      readonly status: "impossible";
      /** The wishes that had to give way, with the nearest that can be met; empty when enemies, anchors or passages alone leave none. */
      readonly conflicts: readonly Conflict[];
    }
  | { readonly status: "not-found" };

/**
 * Chooses items for one form or several parallel ones: every wish met, no enemies, passages in sets, no item in two forms
 * but the anchor, information highest where it is lowest, alike within 10 %, and expected scores within 2 points in 100. Impossible wishes are explained; when time
 * is up the best found or a greedy answer is given and said so. Throws for senseless problems ("bad-argument") and items
 * locked in and left out ("contradiction").
 */
export async function buildForms(
  problem: FormProblem,
  solve: SolveLinearModel,
  limitSeconds: number,
): Promise<FormsResult> {
  demandFormProblem(problem);
  const model = formModel(problem);
  let solution = await solve(informationModel(problem, model, true), limitSeconds);
  if (solution.status === "infeasible") {
    const conflicts = await explainConflict(model, solve, limitSeconds);
    if (conflicts === null || conflicts.length > 0) return { status: "impossible", conflicts: conflicts ?? [] };
    // Only the likeness of the forms stood in the way: unlike forms, with how unlike they are, are better than none.
    solution = await solve(informationModel(problem, model, false), limitSeconds);
  }
  const forms = Array.from({ length: problem.forms }, (_, form) =>
    problem.items.filter((_item, place) => solution.chosen.has(chosenName(place, form))),
  );
  if (!forms.every((form) => meetsAll(form, problem))) return greedyForms(problem);
  return built(problem, forms, solution.status === "optimal" ? "best" : "good");
}

function greedyForms(problem: FormProblem): FormsResult {
  const forms = formsGreedily(problem);
  return forms ? built(problem, forms, "greedy") : { status: "not-found" };
}

function built(
  problem: FormProblem,
  forms: readonly (readonly AssemblyItem[])[],
  quality: "best" | "good" | "greedy",
): FormsResult {
  const result = forms.map((form) => ({
    itemIds: form.map(({ id }) => id),
    information: CUT_POINTS.map((point) => testInformation(problem.cut + point, form)),
  }));
  const difference = Math.max(
    ...CUT_POINTS.map((_, point) => {
      const heights = result.map(({ information }) => information[point] ?? 0);
      return Math.max(...heights) / Math.min(...heights) - 1;
    }),
  );
  const scoreDifference = Math.max(
    ...CUT_POINTS.map((point) => {
      const scores = forms.map((form) => expectedScore(problem.cut + point, form) / Math.max(1, form.length));
      return Math.max(...scores) - Math.min(...scores);
    }),
  );
  return { status: "built", forms: result, quality, difference, scoreDifference };
}
