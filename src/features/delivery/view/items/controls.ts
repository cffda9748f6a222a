import type { ItemKind } from "@/core/items/itemKind";
import type { PartView } from "../../types";
import type { PartControl } from "./control";
import { expressionEntry } from "./Expression";
import { gridPlane } from "./Grid";
import { inlineChoice } from "./InlineChoice";
import { matchingRows } from "./Matching";
import { multipleChoice } from "./MultipleChoice";
import { numberEntry } from "./NumberEntry";
import { numberLine } from "./NumberLine";
import { orderRows } from "./Order";
import { selectWords } from "./SelectWords";
import { shadedFigure } from "./Shading";
import { shortText } from "./ShortText";
import { singleChoice } from "./SingleChoice";
import { stepLines } from "./Steps";
import { writtenAnswer } from "./Written";

/** Every kind of part by how it is answered: the compiler wants each, and nothing else names one. */
const CONTROLS = {
  number: numberEntry,
  "single-choice": singleChoice,
  "multiple-choice": multipleChoice,
  "short-text": shortText,
  "inline-choice": inlineChoice,
  order: orderRows,
  matching: matchingRows,
  "select-words": selectWords,
  "number-line": numberLine,
  grid: gridPlane,
  shading: shadedFigure,
  expression: expressionEntry,
  steps: stepLines,
  written: writtenAnswer,
} satisfies Record<ItemKind, unknown>;

/** The control of a kind. A part and its value are of the same kind, which the type system can't see through a lookup. */
export const controlOf = (kind: ItemKind): PartControl<ItemKind, unknown> =>
  CONTROLS[kind] as unknown as PartControl<ItemKind, unknown>;

/** Values of an item's parts, by the part's id. */
export type PartValues = Readonly<Record<string, unknown>>;

export const emptyValues = (parts: readonly PartView[]): PartValues =>
  Object.fromEntries(parts.map(({ id, kind }) => [id, controlOf(kind).empty]));

/** The first thing that keeps the values from being handed in; where there are several parts, it says which. */
export function problemOf(parts: readonly PartView[], values: PartValues): string | null {
  for (const [place, part] of parts.entries()) {
    const problem = controlOf(part.kind).problem(values[part.id], part);
    if (problem !== null) return parts.length > 1 ? `Part ${place + 1}: ${problem}` : problem;
  }
  return null;
}

export const responseOf = (parts: readonly PartView[], values: PartValues): Readonly<Record<string, object>> =>
  Object.fromEntries(parts.map(({ id, kind }) => [id, controlOf(kind).response(values[id])]));

/** What the button says that hands an item in; null for what the work usually says. */
export const handInWords = (parts: readonly PartView[]): string | null =>
  parts.map(({ kind }) => controlOf(kind).handIn).find((words) => words !== undefined) ?? null;

export const wordsOf = (parts: readonly PartView[], values: PartValues): string =>
  parts.map((part) => controlOf(part.kind).words(values[part.id], part)).join("; ");
