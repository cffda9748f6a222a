import type { ItemResponse } from "@/core/items/checkItem";
import type { DrawnItem } from "@/core/items/drawItem";
import { optionLetter } from "@/core/items/drawOptions";
import type { ItemKind } from "@/core/items/itemKind";
import { type DrawnOf, type ResponseOf, roomOf } from "@/core/items/rooms";

type Sent<Kind extends ItemKind> = (drawn: DrawnOf[Kind], response: ResponseOf[Kind]) => object;

const letterIn = (members: readonly { readonly id: string }[], wanted: string | undefined): string =>
  optionLetter(members.findIndex(({ id }) => id === wanted));

/** Kinds whose responses are sent by more than the letters of their options. */
const SENT: { readonly [Kind in ItemKind]?: Sent<Kind> } = {
  "inline-choice": ({ gaps }, { choices }) => ({
    choices: Object.fromEntries(
      gaps.map(({ id, options }, place) => [String(place + 1), letterIn(options, choices[id])]),
    ),
  }),
  matching: ({ things, partners }, { pairs }) => ({
    pairs: Object.fromEntries(things.map(({ id }, place) => [String(place + 1), letterIn(partners, pairs[id])])),
  }),
  "select-words": ({ pieces }, { chosen }) => {
    const ids = pieces.flatMap(({ id }) => id ?? []);
    return { chosen: chosen.map((id) => String(ids.indexOf(id) + 1)) };
  },
};

/** A response as a browser would send it: options by the letter under which they stood on the screen. */
export function sentResponse(item: DrawnItem, response: ItemResponse): ItemResponse {
  return Object.fromEntries(
    item.parts.flatMap(({ id, kind, drawn }) => {
      const own = response[id];
      if (own === undefined) return [];
      const sent = SENT[kind] as Sent<ItemKind> | undefined;
      return [[id, sent ? sent(drawn as never, own as never) : byLetters(roomOf(kind).order(drawn), own as object)]];
    }),
  );
}

function byLetters(order: readonly string[], response: object): object {
  const letterOf = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(letterOf);
    const place = typeof value === "string" ? order.indexOf(value) : -1;
    return place < 0 ? value : optionLetter(place);
  };
  return Object.fromEntries(Object.entries(response).map(([name, value]) => [name, letterOf(value)]));
}
