import { type AssemblyItem, type CountWish, hasMarks } from "./formProblem";

/** Items of a form that a wish counts. */
export function countOf(form: readonly AssemblyItem[], wish: CountWish): number {
  return form.filter((item) => hasMarks(item, wish)).length;
}
