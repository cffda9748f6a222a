import type { LinearConstraint, LinearTerm } from "../model/linearModel";
import { type AssemblyItem, type CountWish, type FormProblem, hasMarks, PER_PASSAGE } from "./formProblem";

/** A wish that may stand in the way of the others. */
export type FormWish =
  | { readonly kind: "length"; readonly wanted: number }
  | { readonly kind: "count"; readonly wish: CountWish; readonly bound: "least" | "most"; readonly wanted: number }
  | { readonly kind: "locked-in"; readonly itemId: string; readonly wanted: 1 };

/** A wish of one form (null: of all together) as a constraint that can be loosened to find out what is in conflict. */
export interface SoftConstraint extends LinearConstraint {
  readonly wish: FormWish;
  readonly form: number | null;
}

export interface FormModel {
  readonly soft: readonly SoftConstraint[];
  readonly hard: readonly LinearConstraint[];
  readonly binaries: readonly string[];
}

/**
 * @example chosenName(2, 0) // "x_2_0"
 */
export const chosenName = (item: number, form: number) => `x_${item}_${form}`;
const passageName = (passage: number, form: number) => `p_${passage}_${form}`;

/** The choice of items as a 0/1 model (van der Linden 2005, chapters 3 to 7): x = item in form, p = passage in form. */
export function formModel(problem: FormProblem): FormModel {
  const forms = Array.from({ length: problem.forms }, (_, form) => form);
  const leftOut = new Set(problem.leftOut ?? []);
  const usable = problem.items.map((item, place) => ({ item, place })).filter(({ item }) => !leftOut.has(item.id));
  const soft = forms.flatMap((form) => wishesOf(problem, usable, form));
  const locked = (problem.lockedIn ?? []).map((id): SoftConstraint => {
    const place = problem.items.findIndex((item) => item.id === id);
    return {
      terms: forms.map((form) => one(chosenName(place, form))),
      relation: ">=",
      bound: 1,
      wish: { kind: "locked-in", itemId: id, wanted: 1 },
      form: null,
    };
  });
  const binaries = usable.flatMap(({ place }) => forms.map((form) => chosenName(place, form)));
  const passages = passageConstraints(problem, usable, forms);
  return {
    soft: [...soft, ...locked],
    hard: [...useConstraints(problem, usable, forms), ...passages.constraints],
    binaries: [...binaries, ...passages.binaries],
  };
}

interface Usable {
  readonly item: AssemblyItem;
  readonly place: number;
}

const one = (variable: string): LinearTerm => ({ variable, factor: 1 });

function wishesOf(problem: FormProblem, usable: readonly Usable[], form: number): SoftConstraint[] {
  const termsOf = (some: readonly Usable[]) => some.map(({ place }) => one(chosenName(place, form)));
  const length = { wish: { kind: "length", wanted: problem.length } as const, form };
  const counts = problem.counts.flatMap((wish): SoftConstraint[] => {
    const terms = termsOf(usable.filter(({ item }) => hasMarks(item, wish)));
    const bounds = [
      ["least", ">=", wish.least],
      ["most", "<=", wish.most],
    ] as const;
    return bounds.flatMap(([bound, relation, wanted]) =>
      wanted === undefined
        ? []
        : [{ terms, relation, bound: wanted, wish: { kind: "count", wish, bound, wanted }, form }],
    );
  });
  return [{ ...length, terms: termsOf(usable), relation: "=", bound: problem.length }, ...counts];
}

/** Each item in one form at most, an anchor in all; no two enemies in a form. */
function useConstraints(problem: FormProblem, usable: readonly Usable[], forms: readonly number[]): LinearConstraint[] {
  const anchor = new Set(problem.anchor ?? []);
  const placeOf = new Map(usable.map(({ item, place }) => [item.id, place]));
  const constraints: LinearConstraint[] = [];
  for (const { item, place } of usable) {
    const terms = forms.map((form) => one(chosenName(place, form)));
    if (anchor.has(item.id)) constraints.push({ terms, relation: "=", bound: forms.length });
    else if (forms.length > 1) constraints.push({ terms, relation: "<=", bound: 1 });
    for (const enemyId of item.enemyIds) {
      const enemy = placeOf.get(enemyId);
      // A pair named from both sides is one constraint, not two.
      const twice = enemy !== undefined && enemy < place && problem.items[enemy]?.enemyIds.includes(item.id);
      if (enemy === undefined || twice) continue;
      for (const form of forms)
        constraints.push({
          terms: [one(chosenName(place, form)), one(chosenName(enemy, form))],
          relation: "<=",
          bound: 1,
        });
    }
  }
  return constraints;
}

/** A passage's items come as one set of a size within the bounds, in one form, or with the anchor in all. */
function passageConstraints(problem: FormProblem, usable: readonly Usable[], forms: readonly number[]) {
  const { least, most } = problem.perPassage ?? PER_PASSAGE;
  const anchor = new Set(problem.anchor ?? []);
  const ids = [...new Set(usable.flatMap(({ item }) => (item.passageId === null ? [] : [item.passageId])))];
  const constraints = ids.flatMap((id, passage): LinearConstraint[] => {
    const own = usable.filter(({ item }) => item.passageId === id);
    const sets = forms.flatMap((form): LinearConstraint[] => {
      const terms = own.map(({ place }) => one(chosenName(place, form)));
      const used = passageName(passage, form);
      return [
        { terms: [...terms, { variable: used, factor: -least }], relation: ">=", bound: 0 },
        { terms: [...terms, { variable: used, factor: -most }], relation: "<=", bound: 0 },
      ];
    });
    const terms = forms.map((form) => one(passageName(passage, form)));
    // A passage that the anchor asks about stands in every form.
    const isAnchor = own.some(({ item }) => anchor.has(item.id));
    const use: LinearConstraint = isAnchor
      ? { terms, relation: "=", bound: forms.length }
      : { terms, relation: "<=", bound: 1 };
    return [...sets, use];
  });
  return { constraints, binaries: ids.flatMap((_, passage) => forms.map((form) => passageName(passage, form))) };
}
