import "server-only";
import { mixed, number, object, string } from "yup";
import type { ItemBody } from "@/core/items/itemBody";
import type { Look } from "@/core/items/lookOver";
import { demandStaff } from "@/server/access/demand";
import { DRAWS_WHILE_WRITING, judgeTry, lookItOver } from "@/server/library/lookOver";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";
import { isBodyOnItsWay } from "../writes/drafts";

const input = object({
  /** Draws hang on it: the same item gives the same ones each time. */
  itemId: string().max(80).required(),
  body: mixed().test("body", "This item can't be read, or is far too long.", isBodyOnItsWay).required(),
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
      readonly verdict: "right" | "partly" | "wrong" | "unreadable";
      readonly earned: number;
      readonly possible: number;
    };

/** Looks an item over that is being written, in draws; or judges an answer to one of them. Changes nothing. */
export async function tryOut({ actor }: Context, raw: unknown): Promise<Tried> {
  demandStaff(actor);
  const { itemId, body, given } = validated(input, raw);
  const version = { id: `${itemId}@try`, itemId, body: body as unknown as ItemBody };
  if (!given) return { look: await lookItOver(version, DRAWS_WHILE_WRITING) };
  const verdict = await judgeTry(version, { seed: given.seed, context: given.context, sent: given.response });
  if (verdict === null) throw new Refusal("invalid", "This is no answer to this item. Change it and check again.");
  if (!verdict.readable) return { verdict: "unreadable", earned: 0, possible: 0 };
  const [earned, possible] = (["earned", "possible"] as const).map((name) =>
    verdict.parts.reduce((sum, part) => sum + part[name], 0),
  ) as [number, number];
  return { verdict: verdict.right ? "right" : earned > 0 ? "partly" : "wrong", earned, possible };
}
