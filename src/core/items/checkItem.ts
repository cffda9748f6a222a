import type { DecimalMark } from "../model/decimalMark";
import type { DrawnItem } from "./drawItem";
import { roomOf } from "./rooms";
import type { UnreadableReason, Verdict } from "./verdict";

/** A response to an item: what was given to each part, by the part's id, in stable ids. */
export type ItemResponse = Readonly<Record<string, unknown>>;

/** What a part earned that is scored at once. */
export type PartScore = Extract<Verdict, { readable: true; byPerson?: undefined }> & { readonly partId: string };

/** The verdict on a response as a whole: one part that can't be read keeps all of it from being scored. */
export type ItemVerdict =
  | {
      readonly readable: false;
      readonly partId: string;
      readonly reason: UnreadableReason;
      readonly wanted?: string;
      readonly line?: number;
    }
  | {
      readonly readable: true;
      /** Everything earned; never while a person has to score some of it. */
      readonly right: boolean;
      readonly parts: readonly PartScore[];
      /** Parts that a person scores. */
      readonly waiting: readonly string[];
    };

/** Checks a response part by part, each in the room of its kind; `decimalMark`: the usual one where it was typed. */
export function checkItem(item: DrawnItem, response: ItemResponse, decimalMark: DecimalMark = "point"): ItemVerdict {
  const parts: PartScore[] = [];
  const waiting: string[] = [];
  for (const { id: partId, kind, drawn } of item.parts) {
    const given = response[partId];
    const verdict: Verdict =
      given === undefined ? { readable: false, reason: "empty" } : roomOf(kind).check(drawn, given, decimalMark);
    if (!verdict.readable) return { ...verdict, partId };
    if (verdict.byPerson) waiting.push(partId);
    else parts.push({ ...verdict, partId });
  }
  const right = waiting.length === 0 && parts.every(({ earned, possible }) => earned === possible);
  return { readable: true, right, parts, waiting };
}

/** A response as a browser sends it, with stable ids; null when it is no response to this item. */
export function receivedResponse(item: DrawnItem, sent: unknown): ItemResponse | null {
  if (typeof sent !== "object" || sent === null || Array.isArray(sent)) return null;
  const response: Record<string, unknown> = {};
  for (const { id, kind, drawn } of item.parts) {
    if (!Object.hasOwn(sent, id)) continue;
    const own = roomOf(kind).received(drawn, (sent as Record<string, unknown>)[id]);
    if (own === null) return null;
    response[id] = own;
  }
  return response;
}
