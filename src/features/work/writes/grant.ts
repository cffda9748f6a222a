import "server-only";
import { array, number, object, string } from "yup";
import { windowFault } from "@/core/work/workWindow";
import { added, changed } from "@/db/queries/rowChanges";
import { assignmentById, openingsOf, partsOfWorks, type TargetRow, targetsWithSittings } from "@/db/queries/work";
import { demandWork } from "@/server/access/workAccess";
import { renewEnds } from "@/server/classroom/renewEnds";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { instantAt, schoolOf } from "@/server/runtime/school";
import { optionalDay, validated } from "@/server/runtime/validated";

const students = () => array(string().required()).min(1, "Choose somebody.").max(400).required();

const grantInput = object({
  assignmentId: string().required(),
  studentIds: students(),
  /** Added to what was granted before. */
  items: number().integer().min(1).max(60).optional(),
  minutes: number().integer().min(1).max(300).optional(),
  /** A due day of their own. */
  dueDay: optionalDay(),
  /** Opened again until the end of this day. */
  reopenDay: optionalDay(),
  /** Need not do it; empty takes that back. */
  excuse: string().trim().max(200, "A reason has at most 200 letters.").optional(),
});

/** Grants some students something beyond what everybody has: items, minutes, a later day, or not having to do it. */
export async function grant(context: Context, raw: unknown): Promise<{ readonly changeId: string }> {
  const { assignmentId, studentIds, items, minutes, dueDay, reopenDay, excuse } = validated(grantInput, raw);
  const { runtime } = context;
  const school = await schoolOf(runtime, context.actor.schoolId);
  return runtime.db.write(async (tx) => {
    const work = await assignmentById(tx, assignmentId);
    if (!work || work.withdrawnAt !== null) throw new Refusal("not-found", "This work is not there, or was withdrawn.");
    await demandWork(context, "change", work, tx);
    const targets = (await targetsWithSittings(tx, [assignmentId])).map(({ target }) => target);
    const own = targets.filter(({ personId }) => studentIds.includes(personId));
    if (own.length !== new Set(studentIds).size)
      throw new Refusal("invalid", "Some of these students were not given this work. Open the page again.");
    const dueAt = dueDay === null ? undefined : instantAt(school, dueDay, "20:00");
    if (dueAt !== undefined && windowFault({ opensAt: work.opensAt, dueAt, closesAt: null }))
      throw new Refusal("invalid", "The due day lies before the work opens. Choose a later day.");
    const reopenedUntil = reopenDay === null ? undefined : instantAt(school, reopenDay, "20:00");
    if (reopenedUntil !== undefined && reopenedUntil <= runtime.now())
      throw new Refusal("invalid", "This day is over. Choose a later day.");
    const values = (target: TargetRow): Partial<TargetRow> => ({
      ...(items === undefined ? {} : { extraItems: target.extraItems + items }),
      ...(minutes === undefined ? {} : { extraMinutes: target.extraMinutes + minutes }),
      ...(dueAt === undefined ? {} : { dueAt }),
      ...(reopenedUntil === undefined ? {} : { reopenedUntil }),
      ...(excuse === undefined ? {} : { excusedAt: excuse === "" ? null : runtime.now(), excusedBecause: excuse }),
    });
    const [first] = own;
    if (!first || Object.keys(values(first)).length === 0) throw new Refusal("invalid", "Choose what to grant.");
    const changeId = await recordChange(tx, context, {
      kind: "work-granted",
      facts: { title: work.title, personId: own.length === 1 ? first.personId : null, students: own.length },
      classId: work.classId,
      rows: own.map((target) => changed("assignmentTargets", target, values(target))),
    });
    await renewEnds(tx, assignmentId);
    return { changeId };
  });
}

const openInput = object({ assignmentId: string().required(), partId: string().required(), studentIds: students() });

/** Opens a part for some students, whatever its rules say. */
export async function openPart(context: Context, raw: unknown): Promise<{ readonly changeId: string | null }> {
  const { assignmentId, partId, studentIds } = validated(openInput, raw);
  const { runtime, actor } = context;
  return runtime.db.write(async (tx) => {
    const work = await assignmentById(tx, assignmentId);
    if (!work || work.withdrawnAt !== null) throw new Refusal("not-found", "This work is not there, or was withdrawn.");
    await demandWork(context, "change", work, tx);
    const part = (await partsOfWorks(tx, [work.workId])).find(({ id }) => id === partId);
    if (!part) throw new Refusal("not-found", "This part is not there any more.");
    const own = (await targetsWithSittings(tx, [assignmentId])).filter(({ person }) => studentIds.includes(person.id));
    const before = await openingsOf(
      tx,
      own.map(({ target }) => target.id),
    );
    const fresh = own.filter(
      ({ target }) => !before.some((one) => one.targetId === target.id && one.partId === partId),
    );
    if (fresh.length === 0) return { changeId: null };
    const changeId = await recordChange(tx, context, {
      kind: "part-opened",
      facts: { title: work.title, part: part.title || `${part.place + 1}`, students: fresh.length },
      classId: work.classId,
      rows: fresh.map(({ target }) =>
        added("partOpenings", {
          id: runtime.newId(),
          targetId: target.id,
          partId,
          openedBy: actor.personId,
          at: runtime.now(),
        }),
      ),
    });
    return { changeId };
  });
}
