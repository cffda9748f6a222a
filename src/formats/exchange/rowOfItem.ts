import type { ItemBody } from "@/core/items/itemBody";
import { filledBraces } from "./braces";
import type { ExchangeItem } from "./exchangeItem";
import { type ItemColumn, MOST_WRONG } from "./itemColumns";
import { numberLiteral } from "./literals";

/** A row of a sheet of items: what may stand several times is a list. */
export type ItemCells = Readonly<Record<Exclude<ItemColumn, "wrong" | "mistake">, string>> & {
  readonly wrong: readonly { readonly text: string; readonly mistake: string }[];
};

/** Kinds of items as sheets call them. */
export const SHEET_KINDS = ["choice", "choices", "number", "text"] as const;

/**
 * An item as a row; null where a row can't say all of it: several parts, numbers that are drawn, tables and pictures, kinds other than choices,
 * numbers and texts, or more to a number or a text than its key.
 */
export function rowOfItem({
  id,
  body,
  depth,
  calculator,
  language,
  skillIds,
  standards,
}: ExchangeItem): ItemCells | null {
  const own = isPlain(body) ? answerCells(body) : null;
  if (!own) return null;
  const filled = (text: string) => filledBraces(text);
  return {
    id,
    question: filled(body.stem),
    kind: own.kind,
    answer: filled(own.answers.join("\n")),
    wrong: own.wrong.map(({ text, mistake }) => ({ text: filled(text), mistake })),
    unit: own.unit ?? "",
    tolerance: own.tolerance ?? "",
    hint: filled(body.hint),
    explanation: filled(body.solution),
    skill: skillIds.join("; "),
    standards: standards.map(({ code }) => code).join("; "),
    depth: depth === null ? "" : String(depth),
    calculator: calculator ? "yes" : "",
    language,
  };
}

const isPlain = ({
  parameters,
  contexts,
  derived,
  where,
  table,
  picture,
  parts,
  difficultyOffset,
  discrimination,
}: ItemBody): boolean =>
  [parameters, derived ?? {}, where ?? {}].every((one) => Object.keys(one).length === 0) &&
  Object.keys(contexts).length === 1 &&
  (table ?? []).length === 0 &&
  (picture ?? []).length === 0 &&
  Number(difficultyOffset) === 0 &&
  discrimination === undefined &&
  parts.length === 1 &&
  parts.every(({ prompt, points, skillIds }) => prompt === undefined && (points ?? 1) === 1 && skillIds === undefined);

interface AnswerCells {
  readonly kind: (typeof SHEET_KINDS)[number];
  readonly answers: readonly string[];
  readonly wrong: readonly { readonly text: string; readonly mistake: string }[];
  readonly unit?: string;
  readonly tolerance?: string;
}

function answerCells({ parts: [part] }: ItemBody): AnswerCells | null {
  if (!part) return null;
  if (part.kind === "single-choice" || part.kind === "multiple-choice") {
    if (part.options.some(({ text }) => text === undefined || text.includes("\n"))) return null;
    const wrong = part.options.filter(({ right }) => right !== true);
    if (wrong.length > MOST_WRONG) return null;
    return {
      kind: part.kind === "single-choice" ? "choice" : "choices",
      answers: part.options.flatMap(({ right, text }) => (right === true ? [text ?? ""] : [])),
      wrong: wrong.map(({ text, misconceptionId }) => ({ text: text ?? "", mistake: misconceptionId ?? "" })),
    };
  }
  if (part.kind === "number") {
    const { answer, right, tolerance, anyRight, answerFormat, form, unit, misconceptions } = part;
    const isKeyAlone = right === `x == ${answer}` && !anyRight && !answerFormat && !form && !unit?.required;
    const numbers = [
      answer,
      ...(tolerance === undefined ? [] : [tolerance]),
      ...misconceptions.map(({ value }) => value),
    ];
    if (!isKeyAlone || numbers.some((number) => numberLiteral(number) !== number) || misconceptions.length > MOST_WRONG)
      return null;
    return {
      kind: "number",
      answers: [answer],
      wrong: misconceptions.map(({ id, value }) => ({ text: value, mistake: id })),
      ...(unit ? { unit: unit.word } : {}),
      ...(tolerance === undefined ? {} : { tolerance }),
    };
  }
  if (part.kind === "short-text") {
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
  }
  return null;
}
