import type { LinearConstraint, SolveLinearModel } from "../model/linearModel";
import type { FormModel, FormWish, SoftConstraint } from "./formModel";

/** A wish that cannot be met beside the others, in one form (from 0; null: in all together), and the nearest that can. */
export interface Conflict {
  readonly wish: FormWish;
  readonly form: number | null;
  readonly nearest: number;
}

/** What giving way costs: counts before locked items, and the length last. */
const COST = { count: 1, "locked-in": 20, length: 50 } as const;

/**
 * Which wishes stand against each other, by loosening each by as little as can be (elastic model; Chinneck 2008, chapter 6):
 * what had to give way, and how far. Null when nothing helps or time is up: then enemies, anchors and passages leave no
 * form at all.
 */
export async function explainConflict(
  model: FormModel,
  solve: SolveLinearModel,
  limitSeconds: number,
): Promise<Conflict[] | null> {
  const loosened = model.soft.map((constraint, place): LinearConstraint => {
    const slack = [
      ...(constraint.relation === "<=" ? [] : [{ variable: `less_${place}`, factor: 1 }]),
      ...(constraint.relation === ">=" ? [] : [{ variable: `more_${place}`, factor: -1 }]),
    ];
    return { terms: [...constraint.terms, ...slack], relation: constraint.relation, bound: constraint.bound };
  });
  const slacks = model.soft.flatMap((constraint, place) =>
    ["less", "more"].map((side) => ({ variable: `${side}_${place}`, constraint })),
  );
  const solution = await solve(
    {
      maximise: slacks.map(({ variable, constraint }) => ({ variable, factor: -COST[constraint.wish.kind] })),
      constraints: [...loosened, ...model.hard],
      binaries: model.binaries,
      continuous: slacks.map(({ variable }) => ({ variable, low: 0, high: 1000 })),
    },
    limitSeconds,
  );
  if (solution.status !== "optimal") return null;
  const gaveWay = (place: number) =>
    Math.round((solution.values.get(`more_${place}`) ?? 0) - (solution.values.get(`less_${place}`) ?? 0));
  return model.soft.flatMap(({ wish, form, bound }: SoftConstraint, place) =>
    gaveWay(place) === 0 ? [] : [{ wish, form, nearest: bound + gaveWay(place) }],
  );
}
