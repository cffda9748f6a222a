import { type ItemRoom, sentText } from "../room";
import type { DrawnShortText, ShortTextBody, ShortTextResponse, ShownShortText } from "./body";
import { check } from "./check";
import { draw } from "./draw";
import { responseWords } from "./responseWords";

export const shortTextRoom: ItemRoom<ShortTextBody, DrawnShortText, ShownShortText, ShortTextResponse> = {
  draw,
  order: () => [],
  optionTexts: () => [],
  inOrder: (drawn) => drawn,
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
