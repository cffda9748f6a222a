import { countOf } from "./countOf";
import { type AssemblyItem, type FormProblem, PER_PASSAGE } from "./formProblem";

/** True when a form keeps every wish and every set of a passage its size. */
export function meetsAll(form: readonly AssemblyItem[], problem: FormProblem): boolean {
  const { least, most } = problem.perPassage ?? PER_PASSAGE;
  const passages = [...new Set(form.flatMap(({ passageId }) => (passageId === null ? [] : [passageId])))];
  return (
    form.length === problem.length &&
    problem.counts.every(
      (wish) => countOf(form, wish) >= (wish.least ?? 0) && countOf(form, wish) <= (wish.most ?? problem.length),
    ) &&
    passages.every((id) => {
      const own = form.filter(({ passageId }) => passageId === id).length;
      return own >= least && own <= most;
    }) &&
    form.every((item) => form.every((other) => !other.enemyIds.includes(item.id)))
  );
}
