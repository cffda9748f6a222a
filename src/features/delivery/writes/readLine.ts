import "server-only";
import { object, string } from "yup";
import { markLinesRead } from "@/db/queries/live";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";

const input = object({ lineId: string().required() });

/** A student has read a line of theirs; of anybody else's nothing changes. */
export async function readLine(context: Context, raw: unknown): Promise<{ readonly read: true }> {
  const { lineId } = validated(input, raw);
  const { runtime, actor } = context;
  if (actor.kind !== "student")
    throw new Refusal("not-allowed", "Lines are read by the students whom they were sent to.");
  await runtime.db.write((tx) => markLinesRead(tx, actor.personId, [lineId], runtime.now()));
  return { read: true };
}
