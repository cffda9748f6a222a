import { type ItemRoom, sentText } from "../room";
import type { DrawnExpression, ExpressionBody, ExpressionResponse, ShownExpression } from "./body";
import { check } from "./check";
import { draw } from "./draw";
import { responseWords } from "./responseWords";

export const expressionRoom: ItemRoom<ExpressionBody, DrawnExpression, ShownExpression, ExpressionResponse> = {
  draw,
  order: () => [],
  inOrder: (drawn) => drawn,
  optionTexts: () => [],
  shown: () => ({}),
  received: (_, sent) => {
    const text = sentText(sent, "text");
    return text === null ? null : { text };
  },
  check,
  responseWords,
  rightResponse: ({ keyText }) => ({ text: keyText }),
  mistakes: ({ misconceptionTexts }) =>
    misconceptionTexts.map(({ id, text }) => ({ misconceptionId: id, response: { text } })),
  guessing: () => 0,
};
