import "server-only";
import { demandStaff } from "@/server/access/demand";
import { takePicture } from "@/server/library/pictures";
import type { Context } from "@/server/runtime/context";

/** Keeps a picture for an item that is being written; the same one twice is kept once. */
export async function addPicture(context: Context, bytes: Uint8Array): Promise<{ readonly picture: string }> {
  const { personId } = demandStaff(context.actor);
  const { runtime } = context;
  const by = { addedBy: personId, addedAt: runtime.now() };
  const { hash } = await runtime.db.write((tx) => takePicture(tx, bytes, by));
  return { picture: hash };
}
