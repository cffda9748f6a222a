/** What becomes of a class's students at the end of the year. */
export type RollOverFate =
  | { readonly what: "leaves" }
  | { readonly what: "moves"; readonly grade: number; readonly className: string };

/**
 * What is proposed for a class: the highest grade leaves, everybody else moves up by one, and a class whose name begins with
 * its grade keeps the rest of its name ("6 Alder" becomes "7 Alder").
 * @example rollOverFate(6, "6 Alder", 8) // { what: "moves", grade: 7, className: "7 Alder" }
 */
export function rollOverFate(grade: number, className: string, lastGrade: number): RollOverFate {
  if (grade >= lastGrade) return { what: "leaves" };
  const rest = new RegExp(`^${grade}(?!\\d)(.*)$`).exec(className)?.[1];
  return { what: "moves", grade: grade + 1, className: rest === undefined ? className : `${grade + 1}${rest}` };
}
