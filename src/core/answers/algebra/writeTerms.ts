import type { Rational } from "../../numeric/rational";
import { writeNumber } from "../writeNumber";
import type { Polynomial } from "./polynomial";

/** Single terms in a row, such as "2x + 6 - 4"; "0" for none. */
export function writeTerms(terms: readonly Polynomial[], unknown: string): string {
  const shown = terms.filter((term) => term.length > 0);
  if (shown.length === 0) return "0";
  return shown.reduce((text, term, place) => {
    const coefficient = term.at(-1) as Rational;
    const bare = oneTerm(coefficient.abs(), term.length - 1, unknown);
    if (place === 0) return coefficient.s < 0n ? `-${bare}` : bare;
    return `${text} ${coefficient.s < 0n ? "-" : "+"} ${bare}`;
  }, "");
}

function oneTerm(coefficient: Rational, power: number, unknown: string): string {
  const letter = power === 0 ? "" : power === 1 ? unknown : `${unknown}^${power}`;
  if (letter !== "" && coefficient.equals(1)) return letter;
  const number = writeNumber(coefficient, "fraction");
  return letter !== "" && coefficient.d !== 1n ? `(${number})${letter}` : `${number}${letter}`;
}
