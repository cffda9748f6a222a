import "server-only";
import { pictureByHash } from "@/db/queries/pictures";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";

/**
 * A picture, for whoever is signed in and knows its name: the name is made from all of its bytes, so that nobody has it who was not shown an
 * item with it.
 */
export async function pictureFile(
  { runtime }: Context,
  hash: string,
): Promise<{ readonly type: string; readonly bytes: Uint8Array }> {
  const found = /^[0-9a-f]{64}$/.test(hash) ? await pictureByHash(runtime.db.read, hash) : null;
  if (!found) throw new Refusal("not-found", "This picture is not here.");
  return { type: found.type, bytes: found.bytes };
}
