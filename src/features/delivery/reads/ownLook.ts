import "server-only";
import { supportsOf } from "@/db/queries/students";
import type { Context } from "@/server/runtime/context";

/** How the asking student's pages look by their supports. */
export async function ownLook({ runtime, actor }: Context): Promise<{ readonly largerText: boolean }> {
  const [supports] = await supportsOf(runtime.db.read, [actor.personId]);
  return { largerText: supports?.largerText ?? false };
}
