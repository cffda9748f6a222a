import "server-only";
import { array, boolean, number, object, string } from "yup";
import { APPROACHES, type OwnParts, VISIT_RESULTS } from "@/core/model/reteach";
import { groupById, studentsOfReteaches } from "@/db/queries/regroup";
import { ownReteachesOn, reteachById, visitById } from "@/db/queries/reteaches";
import { added, changed } from "@/db/queries/rowChanges";
import { demand, demandStaff } from "@/server/access/demand";
import { studentSubject } from "@/server/access/studentSubject";
import { demandGroup } from "@/server/access/subjects";
import { recordChange } from "@/server/history/recordChange";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { uuid, validated } from "@/server/runtime/validated";

const presenceInput = object({
  reteachId: string().required(),
  presence: array(object({ studentId: string().required(), there: boolean().nullable().defined() }))
    .min(1, "Choose somebody.")
    .max(60)
    .required(),
});

/** Notes who was there when a group was taught. Whoever was away is no evidence of what it brought, and comes round again. */
export async function notePresence(context: Context, raw: unknown): Promise<{ changeId: string | null }> {
  const { reteachId, presence } = validated(presenceInput, raw);
  return context.runtime.db.write(async (tx) => {
    const reteach = await reteachById(tx, reteachId);
    const group = reteach ? await groupById(tx, reteach.groupId) : null;
    await demandGroup(context, "change", group ?? { id: "", classId: "" }, tx);
    if (!reteach || !group) throw new Refusal("not-found", "This reteach is not there any more.");
    if (reteach.judgedDay !== null)
      throw new Refusal("conflict", "What came of this reteach is judged already and stays as it is.");
    const taught = await studentsOfReteaches(tx, [reteachId]);
    const rows = presence.map(({ studentId, there }) => {
      const own = taught.find(({ personId }) => personId === studentId);
      if (!own) throw new Refusal("conflict", "Somebody here was not given this reteach. Open the page again.");
      return { own, there: there ?? null };
    });
    const news = rows.filter(({ own, there }) => own.there !== there);
    if (news.length === 0) return { changeId: null };
    const now = taught.map((one) => news.find(({ own }) => own.id === one.id)?.there ?? one.there);
    const changeId = await recordChange(tx, context, {
      kind: "presence-noted",
      facts: {
        name: group.name,
        there: now.filter((there) => there === true).length,
        away: now.filter((there) => there === false).length,
      },
      classId: group.classId,
      subjectIds: [group.id],
      rows: news.map(({ own, there }) => changed("reteachStudents", own, { there })),
    });
    return { changeId };
  });
}

const MOST_WORDS = 2_000;
const part = () => string().trim().max(MOST_WORDS, `A part of a plan has at most ${MOST_WORDS} letters.`);

const ownInput = object({
  skillId: string().required(),
  approach: string()
    .oneOf([...APPROACHES])
    .required(),
  parts: object({ show: part(), ask: part(), together: part(), alone: part(), exit: part(), note: part() }).required(),
  shared: boolean().required(),
  /** When what was changed here was last changed, as the page knew it; null where there was nothing of one's own. */
  seenAt: number().nullable().defined(),
});

/** Keeps somebody's own changes to the plan of a reteach for the next time, for colleagues too where they say so. */
export async function keepOwnReteach(context: Context, raw: unknown): Promise<{ changeId: string | null }> {
  const staff = demandStaff(context.actor);
  const { skillId, approach, parts, shared, seenAt } = validated(ownInput, raw);
  const { runtime } = context;
  const skill = (await libraryOf(runtime)).skill(skillId);
  const written = Object.fromEntries(Object.entries(parts).filter(([, text]) => text)) as OwnParts;
  return runtime.db.write(async (tx) => {
    const all = await ownReteachesOn(tx, { skillId, personId: staff.personId, schoolId: staff.schoolId });
    const own = all.find((one) => one.own.personId === staff.personId && one.own.approach === approach)?.own ?? null;
    if ((own?.changedAt ?? null) !== (seenAt ?? null))
      throw new Refusal(
        "conflict",
        "You changed this plan in another window meanwhile. Copy what you wrote, and reload.",
      );
    const values = { parts: written, shared, changedAt: runtime.now() };
    const row = own
      ? changed("ownReteaches", own, values)
      : added("ownReteaches", {
          id: runtime.newId(),
          schoolId: staff.schoolId,
          personId: staff.personId,
          skillId,
          approach,
          ...values,
        });
    const changeId = await recordChange(tx, context, {
      kind: "own-reteach-kept",
      facts: { skill: skill.name, approach, shared },
      classId: null,
      rows: [row],
    });
    return { changeId };
  });
}

const visitInput = object({
  /** Made by the browser: sent twice, it is noted once. */
  id: uuid(),
  studentId: string().required(),
  skillId: string().required(),
  minutes: number().integer().min(1).max(60).required(),
  result: string()
    .oneOf([...VISIT_RESULTS])
    .required(),
});

/** Notes what came of a few minutes with one student. It is no answer, and moves no chance. */
export async function noteVisit(context: Context, raw: unknown): Promise<{ changeId: string | null }> {
  const { studentId, ...visit } = validated(visitInput, raw);
  const { runtime } = context;
  const staff = demandStaff(context.actor);
  const { subject, classes } = await studentSubject(runtime, studentId);
  demand(staff, "note", subject);
  const skill = (await libraryOf(runtime)).skill(visit.skillId);
  const classId = classes.find(({ id }) => staff.classTies.has(id))?.id ?? null;
  return runtime.db.write(async (tx) => {
    if (await visitById(tx, visit.id)) return { changeId: null };
    const changeId = await recordChange(tx, context, {
      kind: "visit-noted",
      facts: { personId: studentId, skill: skill.name, result: visit.result },
      classId,
      subjectIds: [studentId],
      rows: [added("visits", { ...visit, personId: studentId, byId: staff.personId, at: runtime.now() })],
    });
    return { changeId };
  });
}
