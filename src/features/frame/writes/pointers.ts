import "server-only";
import { array, object, string } from "yup";
import { personById } from "@/db/queries/people";
import { pointerById } from "@/db/queries/pointers";
import { added, changed } from "@/db/queries/rowChanges";
import { staffActors } from "@/server/access/actorOf";
import { keyFor } from "@/server/access/addressFor";
import { demandStaff } from "@/server/access/demand";
import { demandClasses } from "@/server/access/subjects";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { todayOf } from "@/server/runtime/school";
import { day, uuid, validated } from "@/server/runtime/validated";

const MOST_LETTERS = 300;

const input = object({
  /** Made by the browser: sent twice, it is kept once. */
  id: uuid(),
  toId: string().required("Choose a colleague."),
  classIds: array(string().required()).min(1, "Open a class first.").max(60).required(),
  /** What follows the classes in the sender's address. */
  rest: string()
    .defined()
    .max(2000, "This address is too long to be passed on. Choose fewer students first.")
    .matches(/^(\/[\w/%.-]*)?(\?\S*)?$/, "This page can't be passed on."),
  sentence: string()
    .trim()
    .min(1, "Write what to look at.")
    .max(MOST_LETTERS, `A sentence has at most ${MOST_LETTERS} letters.`)
    .required("Write what to look at."),
  day: day(),
});

/** Points a colleague to a view with a sentence, for a day; the address becomes theirs, since classes have other names in it. */
export async function sendPointer(context: Context, raw: unknown): Promise<{ readonly changeId: string | null }> {
  const { id, toId, classIds, rest, sentence, day: forDay } = validated(input, raw);
  const { runtime } = context;
  const staff = demandStaff(context.actor);
  await demandClasses(context, "see", classIds);
  const receiver = await personById(runtime.db.read, toId);
  const isColleague =
    receiver?.kind === "staff" && receiver.schoolId === staff.schoolId && receiver.archivedAt === null;
  if (!receiver || !isColleague || toId === staff.personId)
    throw new Refusal("invalid", "Choose somebody else who teaches at your school.");
  const [actor] = await staffActors(runtime, [receiver]);
  const key = actor ? await keyFor(runtime, actor, classIds) : null;
  if (key === null)
    throw new Refusal(
      "invalid",
      `${receiver.givenName} can't open these classes${classIds.length > 1 ? " together. Choose one class first" : ""}. Nothing was sent.`,
    );
  if (forDay < (await todayOf(runtime, staff.schoolId))) throw new Refusal("invalid", "Choose today or a later day.");
  return runtime.db.write(async (tx) => {
    if (await pointerById(tx, id)) return { changeId: null };
    const changeId = await recordChange(tx, context, {
      kind: "pointer-sent",
      facts: { personId: toId, forDay },
      classId: classIds.length === 1 ? (classIds[0] ?? null) : null,
      subjectIds: classIds,
      rows: [
        added("pointers", {
          id,
          schoolId: staff.schoolId,
          fromId: staff.personId,
          toId,
          path: `/desk/${key}${rest}`,
          sentence,
          day: forDay,
          at: runtime.now(),
          doneAt: null,
        }),
      ],
    });
    return { changeId };
  });
}

const doneInput = object({ pointerId: string().required() });

/** Takes a pointer off one's own Today. */
export async function closePointer(context: Context, raw: unknown): Promise<{ readonly changeId: string | null }> {
  const { pointerId } = validated(doneInput, raw);
  const staff = demandStaff(context.actor);
  return context.runtime.db.write(async (tx) => {
    const pointer = await pointerById(tx, pointerId);
    if (pointer?.toId !== staff.personId)
      throw new Refusal("not-found", "This is not on your list any more. Open the page again.");
    if (pointer.doneAt !== null) return { changeId: null };
    const changeId = await recordChange(tx, context, {
      kind: "pointer-done",
      facts: { personId: pointer.fromId },
      classId: null,
      rows: [changed("pointers", pointer, { doneAt: context.runtime.now() })],
    });
    return { changeId };
  });
}
