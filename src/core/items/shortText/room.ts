import type { ItemRoom } from "../room";
import { typedText } from "../typedText";
import type { DrawnShortText, ShortTextBody, ShortTextResponse, ShownShortText } from "./body";
import { check } from "./check";
import { draw } from "./draw";
import { responseWords } from "./responseWords";

export const shortTextRoom: ItemRoom<ShortTextBody, DrawnShortText, ShownShortText, ShortTextResponse> = {
  draw,
  ...typedText,
  check,
  responseWords,
  texts: ({ accepted }) => accepted,
  remarks: () => [],
  rightResponse: ({ keyText }) => ({ text: keyText }),
  mistakes: ({ misconceptionTexts }) =>
    misconceptionTexts.map(({ id, text }) => ({ misconceptionId: id, response: { text } })),
};
