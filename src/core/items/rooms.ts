import { expressionRoom } from "./expression/room";
import { gridRoom } from "./grid/room";
import { inlineChoiceRoom } from "./inlineChoice/room";
import type { ItemKind } from "./itemKind";
import { matchingRoom } from "./matching/room";
import { multipleChoiceRoom } from "./multipleChoice/room";
import { numberRoom } from "./number/room";
import { numberLineRoom } from "./numberLine/room";
import { orderRoom } from "./order/room";
import type { ItemRoom } from "./room";
import { selectWordsRoom } from "./selectWords/room";
import { shadingRoom } from "./shading/room";
import { shortTextRoom } from "./shortText/room";
import { singleChoiceRoom } from "./singleChoice/room";
import { stepsRoom } from "./steps/room";
import { writtenRoom } from "./written/room";

/** Every kind of item part by its room: the compiler wants each, and nothing else names one. */
const ROOMS = {
  number: numberRoom,
  "single-choice": singleChoiceRoom,
  "multiple-choice": multipleChoiceRoom,
  "short-text": shortTextRoom,
  "inline-choice": inlineChoiceRoom,
  order: orderRoom,
  matching: matchingRoom,
  "select-words": selectWordsRoom,
  "number-line": numberLineRoom,
  grid: gridRoom,
  shading: shadingRoom,
  expression: expressionRoom,
  steps: stepsRoom,
  written: writtenRoom,
} satisfies Record<ItemKind, unknown>;

type Rooms = typeof ROOMS;
type Parts<Kind extends ItemKind> =
  Rooms[Kind] extends ItemRoom<infer Body, infer Drawn, infer Shown, infer Response>
    ? { readonly body: Body; readonly drawn: Drawn; readonly shown: Shown; readonly response: Response }
    : never;

export type DrawnOf = { readonly [Kind in ItemKind]: Parts<Kind>["drawn"] & { readonly keyText: string } };
export type ShownOf = { readonly [Kind in ItemKind]: Parts<Kind>["shown"] };
export type ResponseOf = { readonly [Kind in ItemKind]: Parts<Kind>["response"] };

/**
 * The room of a kind. Body, drawn part and response of one part are always of the same kind, which the type system can't see
 * through a lookup: this is the one place that says so.
 */
export const roomOf = (kind: ItemKind): ItemRoom<unknown, { readonly keyText: string }, unknown, unknown> =>
  ROOMS[kind] as unknown as ItemRoom<unknown, { readonly keyText: string }, unknown, unknown>;
