import { writeNumber } from "../../answers/writeNumber";
import { isUgly, leftOut } from "../partRemark";
import { type ItemRoom, sentText } from "../room";
import type { DrawnNumber, NumberBody, NumberResponse, ShownNumber } from "./body";
import { check } from "./check";
import { draw } from "./draw";
import { responseWords } from "./responseWords";

const withUnit = (text: string, { unit }: DrawnNumber) => (unit?.required ? `${text} ${unit.word}` : text);

export const numberRoom: ItemRoom<NumberBody, DrawnNumber, ShownNumber, NumberResponse> = {
  draw,
  order: () => [],
  optionTexts: () => [],
  inOrder: (drawn) => drawn,
  shown: ({ unit }) => ({ unit }),
  received: (_, sent) => {
    const text = sentText(sent, "text");
    return text === null ? null : { text };
  },
  check,
  responseWords,
  rightResponse: (drawn) => ({ text: withUnit(drawn.keyText, drawn) }),
  mistakes: (drawn) =>
    drawn.misconceptionValues.map(({ id, value }) => ({
      misconceptionId: id,
      response: { text: withUnit(writeNumber(value, "mixed"), drawn) },
    })),
  guessing: () => 0,
  texts: ({ unit }) => (unit ? [unit.word] : []),
  remarks: (body, _, drawn) => [
    ...leftOut(body.misconceptions.length, drawn.misconceptionValues.length),
    ...(isUgly(drawn.key) ? [{ code: "ugly-number", at: drawn.keyText } as const] : []),
    ...(drawn.key.compare(0) < 0 ? [{ code: "below-nought", at: drawn.keyText } as const] : []),
  ],
};
