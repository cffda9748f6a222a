import type { PartBody } from "@/core/items/itemBody";
import type { ItemKind } from "@/core/items/itemKind";
import { multipleChoice, singleChoice } from "./choice";
import { grid } from "./grid";
import { inlineChoice } from "./inlineChoice";
import { matching } from "./matching";
import { number } from "./number";
import { numberLine } from "./numberLine";
import { order } from "./order";
import type { FoundPart, QtiRoom, WriteFrame, WrittenPart } from "./qtiRoom";
import { selectWords } from "./selectWords";
import { shading } from "./shading";
import { steps } from "./steps";
import { expression, shortText } from "./text";
import { written } from "./written";

/** Every kind of part as the standard's interactions say it: the compiler wants each. */
const ROOMS = {
  number,
  "single-choice": singleChoice,
  "multiple-choice": multipleChoice,
  "short-text": shortText,
  "inline-choice": inlineChoice,
  order,
  matching,
  "select-words": selectWords,
  "number-line": numberLine,
  grid,
  shading,
  expression,
  steps,
  written,
} satisfies { readonly [Kind in ItemKind]: QtiRoom<Kind> };

interface AnyRoom {
  readonly write: (part: PartBody, drawn: unknown, frame: WriteFrame) => WrittenPart;
  readonly isNarrower?: (part: PartBody) => boolean;
  readonly read: (found: FoundPart) => PartBody;
}

/** The room of a kind; part and drawn part are always of that same kind. */
export const qtiRoomOf = (kind: ItemKind): AnyRoom => ROOMS[kind] as unknown as AnyRoom;

/** Whether other programs take fewer answers to a part for right than are right here. */
export const isNarrowerElsewhere = (part: PartBody): boolean => qtiRoomOf(part.kind).isNarrower?.(part) ?? false;
