import { checkAlgebra } from "../../answers/checkAlgebra";
import { allOrNothing, unreadable, type Verdict } from "../verdict";
import type { DrawnExpression, ExpressionResponse } from "./body";

/** Right when it says the same as the key in the form asked for; a known wrong answer counts for its misconception. */
export function check({ keyText, form, misconceptionTexts }: DrawnExpression, { text }: ExpressionResponse): Verdict {
  if (text.trim() === "") return unreadable("empty");
  const found = checkAlgebra(text, keyText, form);
  if (found.verdict === "unreadable") return unreadable(found.reason);
  if (found.verdict === "right") return allOrNothing(true);
  return allOrNothing(
    false,
    misconceptionTexts.find((known) => checkAlgebra(text, known.text).verdict === "right")?.id,
  );
}
