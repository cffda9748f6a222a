import "server-only";
import { object, string } from "yup";
import { keepUnlocked, targetOf } from "@/db/queries/work";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, schoolOf } from "@/server/runtime/school";
import { validated } from "@/server/runtime/validated";
import { enter } from "../reads/entered";

const input = object({ assignmentId: string().required(), code: string().trim().max(12).required("Write the code.") });

/** Opens work that is for school where the student is, for the rest of the day. */
export async function unlock(context: Context, raw: unknown): Promise<{ readonly open: true }> {
  const { runtime } = context;
  const { assignmentId, code } = validated(input, raw);
  if (!(await targetOf(runtime.db.read, assignmentId, context.actor.personId)))
    throw new Refusal("not-allowed", "This work is not on your list.");
  const { work, target } = await enter(runtime.db.read, context, assignmentId);
  if (work.unlockCode === null || code.toUpperCase() !== work.unlockCode.toUpperCase())
    throw new Refusal("invalid", "This is not the code. Ask your teacher for it.");
  const school = await schoolOf(runtime, work.schoolId);
  await runtime.db.write((tx) => keepUnlocked(tx, target.id, dayAt(school, runtime.now())));
  return { open: true };
}
