import "server-only";
import { mixed, number, object, string } from "yup";
import type { ItemBody, ItemVersion } from "@/core/items/itemBody";
import type { Look } from "@/core/items/lookOver";
import { itemsById } from "@/db/queries/items";
import { versionsById } from "@/db/queries/library";
import { demandBank } from "@/server/access/bankSubject";
import { demandStaff } from "@/server/access/demand";
import { DRAWS_WHILE_WRITING, judgeTry, lookItOver } from "@/server/library/lookOver";
import { asVersion } from "@/server/library/shelf";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";
import { isBodyOnItsWay } from "../writes/drafts";

const input = object({
  /** Draws hang on it: the same item gives the same ones each time. */
  itemId: string().max(80).required(),
  /** What is being written; without it the version that is named is tried, of an item that the asking person may use. */
  body: mixed()
    .test("body", "This item can't be read, or is far too long.", (body) => body === undefined || isBodyOnItsWay(body))
    .optional(),
  versionId: string().max(100).optional(),
  /** An answer to one of the draws, as a student's browser would send it. */
  given: object({
    seed: number().integer().min(0).max(1_000_000).required(),
    context: string().max(80).required(),
    response: mixed().required(),
  })
    .optional()
    .default(undefined),
});

export type Tried =
  | { readonly look: Look }
  | {
      readonly verdict: "right" | "partly" | "wrong" | "unreadable" | "by-person";
      readonly earned: number;
      readonly possible: number;
    };

/** Looks an item over that is being written, in draws; or judges an answer to one of them. Changes nothing. */
export async function tryOut(context: Context, raw: unknown): Promise<Tried> {
  demandStaff(context.actor);
  const { itemId, body, versionId, given } = validated(input, raw);
  const version = body
    ? { id: `${itemId}@try`, itemId, body: body as unknown as ItemBody }
    : await storedVersion(context, itemId, versionId ?? "");
  if (!given) return { look: await lookItOver(version, DRAWS_WHILE_WRITING) };
  const verdict = await judgeTry(version, { seed: given.seed, context: given.context, sent: given.response });
  if (verdict === null) throw new Refusal("invalid", "This is no answer to this item. Change it and check again.");
  if (!verdict.readable) return { verdict: "unreadable", earned: 0, possible: 0 };
  if (verdict.waiting.length > 0) return { verdict: "by-person", earned: 0, possible: 0 };
  const [earned, possible] = (["earned", "possible"] as const).map((name) =>
    verdict.parts.reduce((sum, part) => sum + part[name], 0),
  ) as [number, number];
  return { verdict: verdict.right ? "right" : earned > 0 ? "partly" : "wrong", earned, possible };
}

async function storedVersion(context: Context, itemId: string, versionId: string): Promise<ItemVersion> {
  const db = context.runtime.db.read;
  const [item] = await itemsById(db, [itemId]);
  await demandBank(context, "use", item ? item.bankId : "", db);
  const found = (await versionsById(db, [versionId])).find((one) => one.itemId === itemId);
  if (!found) throw new Refusal("not-found", "This item is not in the library.");
  return asVersion(found);
}
