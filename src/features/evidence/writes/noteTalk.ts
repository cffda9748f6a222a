import "server-only";
import { array, object, string } from "yup";
import { TALK_REASONS } from "@/core/model/talk";
import { added } from "@/db/queries/rowChanges";
import { talkNotesById } from "@/db/queries/talks";
import { personIdsOfAssignments } from "@/db/queries/work";
import { demand, demandStaff } from "@/server/access/demand";
import { studentSubject } from "@/server/access/studentSubject";
import { recordChange } from "@/server/history/recordChange";
import { versionsOf } from "@/server/library/drawnItems";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { uuid, validated } from "@/server/runtime/validated";

const input = object({
  /** Made by the browser, one for each student: sent twice, it is kept once. */
  notes: array(object({ id: uuid(), studentId: string().required() }))
    .min(1, "Choose somebody.")
    .max(400)
    .required(),
  reason: string().oneOf(TALK_REASONS).required(),
  skillId: string().required(),
  versionId: string().nullable().defined(),
  assignmentId: string().nullable().defined(),
  misconceptionId: string().nullable().defined(),
});

/** Notes for some students why something went wrong, as it came out in a talk. */
export async function noteTalk(context: Context, raw: unknown): Promise<{ readonly changeId: string | null }> {
  const { notes, reason, ...subject } = validated(input, raw);
  const { runtime } = context;
  const staff = demandStaff(context.actor);
  const subjects = await Promise.all(notes.map(({ studentId }) => studentSubject(runtime, studentId)));
  for (const one of subjects) demand(staff, "note", one.subject);
  const library = await libraryOf(runtime);
  const skill = library.skill(subject.skillId);
  const { misconceptionId, versionId, assignmentId } = subject;
  if (misconceptionId !== null && !library.misconceptions.has(misconceptionId))
    throw new Refusal("not-found", "This mistake is not known to the library any more.");
  if (versionId !== null && (await versionsOf(runtime, [versionId])).size === 0)
    throw new Refusal("not-found", "This item is not in the library any more.");
  // Whoever is in several classes has the note in the history of one of them.
  const classId = subjects.flatMap(({ classes }) => classes).find(({ id }) => staff.classTies.has(id))?.id ?? null;
  return runtime.db.write(async (tx) => {
    const known = new Set(
      (
        await talkNotesById(
          tx,
          notes.map(({ id }) => id),
        )
      ).map(({ id }) => id),
    );
    if (assignmentId !== null) {
      const given = await personIdsOfAssignments(tx, [assignmentId]);
      if (!notes.every(({ studentId }) => given.some(({ personId }) => personId === studentId)))
        throw new Refusal("invalid", "Some of these students were not given this work. Open the page again.");
    }
    const fresh = notes.filter(({ id }) => !known.has(id));
    if (fresh.length === 0) return { changeId: null };
    const [only] = fresh;
    const changeId = await recordChange(tx, context, {
      kind: "talk-noted",
      facts: {
        skill: skill.name,
        reason,
        personId: fresh.length === 1 ? (only?.studentId ?? null) : null,
        students: fresh.length,
      },
      classId,
      subjectIds: fresh.map(({ studentId }) => studentId),
      rows: fresh.map(({ id, studentId }) =>
        added("talkNotes", {
          id,
          personId: studentId,
          byId: staff.personId,
          ...subject,
          reason,
          at: runtime.now(),
        }),
      ),
    });
    return { changeId };
  });
}
