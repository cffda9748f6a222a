import { checkNumber } from "../../answers/checkNumber";
import { compileExpression } from "../../answers/compileExpression";
import type { DecimalMark } from "../../model/decimalMark";
import { rational } from "../../numeric/rational";
import { allOrNothing, unreadable, type Verdict } from "../verdict";
import type { DrawnNumber, NumberResponse } from "./body";

/**
 * Checks a typed number. A right value in a form that was not asked for (not in lowest terms, unit missing) can't be read, so
 * that the student can mend it without losing a try.
 */
export function check(
  { key, unit, lowestTerms, tolerance, accepts, misconceptionValues }: DrawnNumber,
  { text }: NumberResponse,
  decimalMark: DecimalMark,
): Verdict {
  const rule = {
    value: key,
    lowestTerms,
    decimalMark,
    ...(tolerance === null ? {} : { tolerance: { kind: "amount", size: tolerance } as const }),
    ...(unit ? { units: [{ word: unit.word, factor: rational(1) }], unitRequired: unit.required } : {}),
  };
  const first = checkNumber(text, rule);
  const isAccepted =
    first.verdict === "wrong" &&
    accepts !== null &&
    compileExpression(accepts.condition)({ ...accepts.values, x: first.value }) === true;
  // Unit and form are asked of it as of the key.
  const found = isAccepted ? checkNumber(text, { ...rule, value: first.value }) : first;
  if (found.verdict === "unreadable")
    return unreadable(found.reason, found.reason === "unit-missing" ? unit?.word : undefined);
  if (found.verdict === "right") return allOrNothing(true);
  return allOrNothing(false, misconceptionValues.find(({ value }) => value.equals(found.value))?.id);
}
