import { checkAlgebra } from "../../answers/checkAlgebra";
import { CoreError } from "../../model/fail";
import type { DrawSetting } from "../room";
import type { DrawnExpression, ExpressionBody } from "./body";

/** The key and the telling wrong answers of a draw; those that are right are left out. Throws "bad-item" when the key is not in its own form. */
export function draw({ answer, form, misconceptions }: ExpressionBody, { say, itemId }: DrawSetting): DrawnExpression {
  const keyText = say(answer);
  if (checkAlgebra(keyText, keyText, form).verdict !== "right")
    throw new CoreError("bad-item", `The key of ${itemId} can't be read, or is not in the form asked for.`, {
      reason: "key-unreadable",
      at: keyText,
    });
  return {
    keyText,
    form,
    misconceptionTexts: misconceptions
      .map(({ id, text }) => ({ id, text: say(text) }))
      .filter(({ text }) => checkAlgebra(text, keyText).verdict !== "right"),
  };
}
