import { compileExpression } from "../../answers/compileExpression";
import { writeNumber } from "../../answers/writeNumber";
import { CoreError } from "../../model/fail";
import type { Rational } from "../../numeric/rational";
import { numberFrom } from "../drawParameters";
import type { DrawSetting } from "../room";
import type { DrawnNumber, NumberBody } from "./body";

/**
 * The key and the telling wrong values of a draw; wrong values that are right, under 0 or like an earlier one are left out.
 * Throws "bad-item" when the key fails the body's own condition.
 */
export function draw(body: NumberBody, { values, say, itemId }: DrawSetting): DrawnNumber {
  const isRight = (value: Rational) => compileExpression(body.right)({ ...values, x: value }) === true;
  const key = numberFrom(body.answer, values);
  if (!isRight(key))
    throw new CoreError("bad-item", `The key of ${itemId} fails its own condition.`, { key: String(key) });
  const misconceptionValues: { id: string; value: Rational }[] = [];
  for (const { id, value: expression } of body.misconceptions) {
    const value = numberFrom(expression, values);
    const known = misconceptionValues.some((other) => other.value.equals(value));
    if (!isRight(value) && value.compare(0) >= 0 && !known) misconceptionValues.push({ id, value });
  }
  return {
    key,
    keyText: writeNumber(key, body.answerFormat ?? "mixed"),
    unit: body.unit ? { word: say(body.unit.word), required: body.unit.required } : null,
    lowestTerms: body.form === "lowest-terms",
    misconceptionValues,
  };
}
