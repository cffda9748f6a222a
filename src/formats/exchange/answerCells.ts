import type { PartBody } from "@/core/items/itemBody";
import { MOST_WRONG } from "@/core/items/itemColumn";
import type { ItemKind } from "@/core/items/itemKind";
import type { OptionsBody } from "@/core/items/options";
import type { SheetKind } from "./itemCells";
import { numberLiteral } from "./literals";

/** What a row says of the answer. */
export interface AnswerCells {
  readonly kind: SheetKind;
  readonly answers: readonly string[];
  readonly wrong: readonly { readonly text: string; readonly mistake: string }[];
  readonly unit?: string;
  readonly tolerance?: string;
}

type Writers = {
  readonly [Kind in ItemKind]?: (part: Extract<PartBody, { readonly kind: Kind }>) => AnswerCells | null;
};

/** Kinds that a row can hold, each with what it says; null where the part has more to it. */
const WRITERS: Writers = {
  "single-choice": (part) => choiceCells(part, "choice"),
  "multiple-choice": (part) => choiceCells(part, "choices"),
  number: ({ answer, right, tolerance, anyRight, answerFormat, form, unit, misconceptions }) => {
    const isKeyAlone = right === `x == ${answer}` && !anyRight && !answerFormat && !form && !unit?.required;
    const numbers = [
      answer,
      ...(tolerance === undefined ? [] : [tolerance]),
      ...misconceptions.map(({ value }) => value),
    ];
    if (!isKeyAlone || numbers.some((text) => numberLiteral(text) !== text) || misconceptions.length > MOST_WRONG)
      return null;
    return {
      kind: "number",
      answers: [answer],
      wrong: misconceptions.map(({ id, value }) => ({ text: value, mistake: id })),
      ...(unit ? { unit: unit.word } : {}),
      ...(tolerance === undefined ? {} : { tolerance }),
    };
  },
  "short-text": (part) => {
    const isUsual =
      part.ignoreCase &&
      part.ignoreSpacing &&
      !part.ignoreAccents &&
      part.ignorePunctuation &&
      part.spelling === "exact";
    if (!isUsual || part.notAccepted !== undefined || part.misconceptions.length > MOST_WRONG) return null;
    return {
      kind: "text",
      answers: part.accepted,
      wrong: part.misconceptions.map(({ id, text }) => ({ text, mistake: id })),
    };
  },
};

/** What a row says of a part; null where it can't say all of it. */
export const answerCells = (part: PartBody): AnswerCells | null =>
  (WRITERS[part.kind] as ((part: PartBody) => AnswerCells | null) | undefined)?.(part) ?? null;

function choiceCells({ options }: OptionsBody, kind: SheetKind): AnswerCells | null {
  const wrong = options.filter(({ right }) => right !== true);
  if (options.some(({ text }) => text === undefined || text.includes("\n")) || wrong.length > MOST_WRONG) return null;
  return {
    kind,
    answers: options.flatMap(({ right, text }) => (right === true ? [text ?? ""] : [])),
    wrong: wrong.map(({ text, misconceptionId }) => ({ text: text ?? "", mistake: misconceptionId ?? "" })),
  };
}
