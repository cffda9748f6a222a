import { optionLetter } from "../drawOptions";
import { type ItemRoom, sentNames } from "../room";
import type { DrawnInlineChoice, InlineChoiceBody, InlineChoiceResponse, ShownInlineChoice } from "./body";
import { check } from "./check";
import { draw } from "./draw";
import { responseWords } from "./responseWords";

export const inlineChoiceRoom: ItemRoom<InlineChoiceBody, DrawnInlineChoice, ShownInlineChoice, InlineChoiceResponse> =
  {
    draw,
    order: ({ gaps }) => gaps.flatMap(({ id, options }) => options.map((option) => `${id}/${option.id}`)),
    inOrder: (drawn, ids) => ({
      ...drawn,
      gaps: drawn.gaps.map((gap) => ({
        ...gap,
        options: [...gap.options].sort((x, y) => ids.indexOf(`${gap.id}/${x.id}`) - ids.indexOf(`${gap.id}/${y.id}`)),
      })),
    }),
    optionTexts: ({ gaps }) => gaps.flatMap(({ options }) => options.map(({ text }) => text)),
    runningText: ({ text, gaps }) =>
      text
        .map((piece) => {
          if (typeof piece === "string") return piece;
          const options = gaps.find(({ id }) => id === piece.gap)?.options ?? [];
          return `[${options.map((option) => option.text).join(" / ")}]`;
        })
        .join(""),
    shown: ({ text, gaps }) => ({
      pieces: text.map((piece) => {
        if (typeof piece === "string") return { text: piece };
        const place = gaps.findIndex(({ id }) => id === piece.gap);
        const options = gaps[place]?.options ?? [];
        return {
          gap: String(place + 1),
          options: options.map((option, at) => ({ letter: optionLetter(at), text: option.text })),
        };
      }),
    }),
    received: ({ gaps }, sent) => {
      const letters = sentNames(sent, "choices");
      if (letters === null) return null;
      const choices = gaps.flatMap(({ id, options }, place) => {
        const letter = letters[String(place + 1)];
        if (letter === undefined) return [];
        return [[id, options.find((_, at) => optionLetter(at) === letter)?.id ?? `no-option-${letter}`] as const];
      });
      return { choices: Object.fromEntries(choices) };
    },
    check,
    responseWords,
    texts: ({ text, gaps }) => [
      ...text.filter((piece) => typeof piece === "string"),
      ...gaps.flatMap(({ options }) => options.map((option) => option.text)),
    ],
    remarks: () => [],
    rightResponse: ({ gaps }) => ({ choices: rightOf(gaps) }),
    mistakes: ({ gaps }) =>
      gaps.flatMap((gap) =>
        gap.options.flatMap(({ id, misconceptionId }) =>
          misconceptionId === undefined || id === gap.right
            ? []
            : [{ misconceptionId, response: { choices: { ...rightOf(gaps), [gap.id]: id } } }],
        ),
      ),
    guessing: ({ gaps }) => gaps.reduce((chance, { options }) => chance / options.length, 1),
  };

const rightOf = (gaps: DrawnInlineChoice["gaps"]) => Object.fromEntries(gaps.map(({ id, right }) => [id, right]));
