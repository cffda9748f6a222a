import { choiceRemarks, optionTextsOf } from "../choiceRemarks";
import { hasOwnTexts, optionAtLetter, optionsInOrder, type ShownOptions, shownOptions } from "../drawOptions";
import { optionsShown } from "../optionsShown";
import { type ItemRoom, sentText } from "../room";
import type { DrawnSingleChoice, SingleChoiceBody, SingleChoiceResponse } from "./body";
import { check } from "./check";
import { draw, MOST_OPTIONS } from "./draw";
import { responseWords } from "./responseWords";

export const singleChoiceRoom: ItemRoom<SingleChoiceBody, DrawnSingleChoice, ShownOptions, SingleChoiceResponse> = {
  draw,
  order: ({ options }) => options.map(({ id }) => id),
  optionTexts: ({ options }) => options.map(({ text }) => text),
  inOrder: (drawn, ids) => ({ ...drawn, options: optionsInOrder(drawn.options, ids) }),
  shown: ({ options }) => shownOptions(options),
  received: ({ options }, sent) => {
    const letter = sentText(sent, "option");
    if (letter === null) return null;
    return { option: letter === "" ? "" : (optionAtLetter(options, letter)?.id ?? `no-option-${letter}`) };
  },
  check,
  responseWords,
  rightResponse: ({ options }) => ({ option: options.find(({ right }) => right)?.id ?? "" }),
  mistakes: ({ options }) =>
    options.flatMap(({ id, misconceptionId }) =>
      misconceptionId === null ? [] : [{ misconceptionId, response: { option: id } }],
    ),
  /** One of the options that are shown. */
  guessing: (body, values) => {
    const shown = 1 + optionsShown(body, values).wrong;
    return 1 / (hasOwnTexts(body) ? shown : Math.min(MOST_OPTIONS, shown));
  },
  texts: optionTextsOf,
  remarks: choiceRemarks,
};
