import { information } from "../measurement/information";
import { countOf } from "./countOf";
import { type AssemblyItem, CUT_POINTS, type FormProblem, hasMarks } from "./formProblem";
import { meetsAll } from "./meetsAll";

/**
 * Forms without a solver: locked and anchor items first, then turn about the item that adds most information where a form
 * has least, as long as every wish can still be met. Null when it gets stuck, which does not prove that no form exists.
 * Items with a passage are taken only as whole sets are: greedily they are left to the solver, unless locked in.
 */
export function formsGreedily(problem: FormProblem): AssemblyItem[][] | null {
  const leftOut = new Set(problem.leftOut ?? []);
  const anchor = problem.items.filter(({ id }) => (problem.anchor ?? []).includes(id));
  const locked = problem.items.filter(({ id }) => (problem.lockedIn ?? []).includes(id));
  const forms: AssemblyItem[][] = Array.from({ length: problem.forms }, () => [...anchor]);
  locked.forEach((item, n) => {
    forms[n % forms.length]?.push(item);
  });
  const used = new Set([...anchor, ...locked].map(({ id }) => id));
  const pool = problem.items.filter(({ id, passageId }) => !leftOut.has(id) && !used.has(id) && passageId === null);
  const curves = new Map(
    problem.items.map((item) => [item.id, CUT_POINTS.map((point) => information(problem.cut + point, item))]),
  );
  const falling = CUT_POINTS.map((_, point) => [...pool].sort((x, y) => at(curves, y, point) - at(curves, x, point)));
  while (forms.some((form) => form.length < problem.length)) {
    const open = forms.filter((form) => form.length < problem.length);
    const form = open.reduce((fewest, next) => (lowest(next, curves) < lowest(fewest, curves) ? next : fewest));
    const weakest = weakestPoint(form, curves);
    const wanted = falling[weakest]?.find((item) => !used.has(item.id) && mayJoin(item, form, problem));
    if (!wanted) return null;
    form.push(wanted);
    used.add(wanted.id);
  }
  return forms.every((form) => meetsAll(form, problem)) ? forms : null;
}

type Curves = ReadonlyMap<string, readonly number[]>;

const at = (curves: Curves, item: AssemblyItem, point: number) => curves.get(item.id)?.[point] ?? 0;

function heights(form: readonly AssemblyItem[], curves: Curves): number[] {
  return CUT_POINTS.map((_, point) => form.reduce((sum, item) => sum + at(curves, item, point), 0));
}

function lowest(form: readonly AssemblyItem[], curves: Curves): number {
  return Math.min(...heights(form, curves));
}

function weakestPoint(form: readonly AssemblyItem[], curves: Curves): number {
  const all = heights(form, curves);
  return all.indexOf(Math.min(...all));
}

/** An item may join when no enemy is there, no "at most" is passed, and the places left still suffice for every "at least". */
function mayJoin(item: AssemblyItem, form: readonly AssemblyItem[], problem: FormProblem): boolean {
  if (form.some((other) => other.enemyIds.includes(item.id) || item.enemyIds.includes(other.id))) return false;
  const after = [...form, item];
  const left = problem.length - after.length;
  if (problem.counts.some((wish) => countOf(after, wish) > (wish.most ?? problem.length))) return false;
  const missing = problem.counts.map((wish) => Math.max(0, (wish.least ?? 0) - countOf(after, wish)));
  return (
    Math.max(0, ...missing) <= left && (missing.every((lack) => lack === 0) || servesMost(item, form, problem, left))
  );
}

/** While places are scarce only items that fill a lack may join. */
function servesMost(item: AssemblyItem, form: readonly AssemblyItem[], problem: FormProblem, left: number): boolean {
  const lacking = problem.counts.filter((wish) => countOf(form, wish) < (wish.least ?? 0));
  const total = lacking.reduce((sum, wish) => sum + (wish.least ?? 0) - countOf(form, wish), 0);
  return total <= left || lacking.some((wish) => hasMarks(item, wish));
}
