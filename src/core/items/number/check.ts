import { checkNumber } from "../../answers/checkNumber";
import type { DecimalMark } from "../../model/decimalMark";
import { rational } from "../../numeric/rational";
import { allOrNothing, unreadable, type Verdict } from "../verdict";
import type { DrawnNumber, NumberResponse } from "./body";

/**
 * Checks a typed number. A right value in a form that was not asked for (not in lowest terms, unit missing) can't be read, so
 * that the student can mend it without losing a try.
 */
export function check(
  { key, unit, lowestTerms, misconceptionValues }: DrawnNumber,
  { text }: NumberResponse,
  decimalMark: DecimalMark,
): Verdict {
  const found = checkNumber(text, {
    value: key,
    lowestTerms,
    decimalMark,
    ...(unit ? { units: [{ word: unit.word, factor: rational(1) }], unitRequired: unit.required } : {}),
  });
  if (found.verdict === "unreadable")
    return unreadable(found.reason, found.reason === "unit-missing" ? unit?.word : undefined);
  if (found.verdict === "right") return allOrNothing(true);
  return allOrNothing(false, misconceptionValues.find(({ value }) => value.equals(found.value))?.id);
}
