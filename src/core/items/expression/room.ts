import { leftOut } from "../partRemark";
import type { ItemRoom } from "../room";
import { typedText } from "../typedText";
import type { DrawnExpression, ExpressionBody, ExpressionResponse, ShownExpression } from "./body";
import { check } from "./check";
import { draw } from "./draw";
import { responseWords } from "./responseWords";

export const expressionRoom: ItemRoom<ExpressionBody, DrawnExpression, ShownExpression, ExpressionResponse> = {
  draw,
  ...typedText,
  check,
  responseWords,
  texts: () => [],
  remarks: (body, _, drawn) => leftOut(body.misconceptions.length, drawn.misconceptionTexts.length),
  rightResponse: ({ keyText }) => ({ text: keyText }),
  mistakes: ({ misconceptionTexts }) =>
    misconceptionTexts.map(({ id, text }) => ({ misconceptionId: id, response: { text } })),
};
