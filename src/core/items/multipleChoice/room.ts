import { choiceRemarks, optionTextsOf } from "../choiceRemarks";
import { optionAtLetter, optionsInOrder, type ShownOptions, shownOptions } from "../drawOptions";
import { optionsShown } from "../optionsShown";
import type { ItemRoom } from "../room";
import type { DrawnMultipleChoice, MultipleChoiceBody, MultipleChoiceResponse } from "./body";
import { check } from "./check";
import { draw, MOST_OPTIONS } from "./draw";
import { responseWords } from "./responseWords";

export const multipleChoiceRoom: ItemRoom<
  MultipleChoiceBody,
  DrawnMultipleChoice,
  ShownOptions,
  MultipleChoiceResponse
> = {
  draw,
  order: ({ options }) => options.map(({ id }) => id),
  optionTexts: ({ options }) => options.map(({ text }) => text),
  inOrder: (drawn, ids) => ({ ...drawn, options: optionsInOrder(drawn.options, ids) }),
  shown: ({ options }) => shownOptions(options),
  received: ({ options }, sent) => {
    const letters = typeof sent === "object" && sent !== null ? (sent as { options?: unknown }).options : null;
    if (!Array.isArray(letters) || !letters.every((letter) => typeof letter === "string")) return null;
    const ids = [...new Set(letters)].map((letter) => optionAtLetter(options, letter)?.id ?? `no-option-${letter}`);
    return { options: ids.sort() };
  },
  check,
  responseWords,
  rightResponse: ({ options }) => ({ options: idsOf(options.filter(({ right }) => right)) }),
  // Somebody who has found all that is right, and takes what the misconception suggests besides.
  mistakes: ({ options }) =>
    options.flatMap((option) =>
      option.misconceptionId === null
        ? []
        : [
            {
              misconceptionId: option.misconceptionId,
              response: { options: idsOf(options.filter((other) => other.right || other === option)) },
            },
          ],
    ),
  /** One of all the ways to choose at least one. */
  guessing: (body, values) => {
    const { right, wrong } = optionsShown(body, values);
    return 1 / (2 ** Math.min(MOST_OPTIONS, right + wrong) - 1);
  },
  texts: optionTextsOf,
  remarks: choiceRemarks,
};

const idsOf = (options: readonly { readonly id: string }[]) => options.map(({ id }) => id).sort();
