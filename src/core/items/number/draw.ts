import { compileExpression } from "../../answers/compileExpression";
import { writeNumber } from "../../answers/writeNumber";
import { CoreError } from "../../model/fail";
import type { Rational } from "../../numeric/rational";
import { numberFrom } from "../drawParameters";
import type { DrawSetting } from "../room";
import type { DrawnNumber, NumberBody } from "./body";

/**
 * The key and the telling wrong values of a draw; wrong values that are right, under 0 or like an earlier one are left out (under 0 unless the
 * body says that they count).
 * Throws "bad-item" when the key fails the body's own condition.
 */
export function draw(body: NumberBody, { values, say, itemId }: DrawSetting): DrawnNumber {
  const key = numberFrom(body.answer, values);
  const tolerance = body.tolerance === undefined ? null : numberFrom(body.tolerance, values);
  const holds = (value: Rational) => compileExpression(body.right)({ ...values, x: value }) === true;
  const isRight = (value: Rational) =>
    holds(value) || (tolerance !== null && value.sub(key).abs().compare(tolerance) <= 0);
  if (!holds(key))
    throw new CoreError("bad-item", `The key of ${itemId} fails its own condition.`, {
      reason: "key-fails",
      at: writeNumber(key, "mixed"),
    });
  const misconceptionValues: { id: string; value: Rational }[] = [];
  for (const { id, value: expression } of body.misconceptions) {
    const value = numberFrom(expression, values);
    const known = misconceptionValues.some((other) => other.value.equals(value));
    if (!isRight(value) && (body.negatives === true || value.compare(0) >= 0) && !known)
      misconceptionValues.push({ id, value });
  }
  return {
    key,
    keyText: writeNumber(key, body.answerFormat ?? "mixed"),
    unit: body.unit ? { word: say(body.unit.word), required: body.unit.required } : null,
    tolerance,
    accepts: body.anyRight ? { condition: body.right, values } : null,
    lowestTerms: body.form === "lowest-terms",
    misconceptionValues,
  };
}
