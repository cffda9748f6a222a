import "server-only";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { classesOfWork } from "@/db/queries/marks";
import { classesById } from "@/db/queries/people";
import { assignmentById, partsOfWorks, targetsWithSittings } from "@/db/queries/work";
import { demandWork } from "@/server/access/workAccess";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, schoolOf } from "@/server/runtime/school";
import type { RulesView } from "../rulesTypes";

/** Work that was given, to be changed. */
export async function rulesView(context: Context, assignmentId: string): Promise<RulesView> {
  const { runtime, actor } = context;
  const db = runtime.db.read;
  const work = await assignmentById(db, assignmentId);
  if (!work || work.withdrawnAt !== null) throw new Refusal("not-found", "This work is not there, or was withdrawn.");
  await demandWork(context, "change", work);
  const [school, parts, targets, classIds] = await Promise.all([
    schoolOf(runtime, actor.schoolId),
    partsOfWorks(db, [work.workId]),
    targetsWithSittings(db, [assignmentId]),
    classesOfWork(db, work.workId),
  ]);
  const names = new Map((await classesById(db, classIds)).map(({ id, name }) => [id, name]));
  const tests = parts.filter(({ kind }) => conductorOf(kind).standsWhole).length;
  return {
    workId: work.id,
    title: work.title,
    instructions: work.instructions,
    className: names.get(work.classId) ?? "",
    dueDay: work.dueAt === null ? "" : dayAt(school, work.dueAt),
    closesDay: work.closesAt === null ? "" : dayAt(school, work.closesAt),
    onlyAtSchool: work.onlyAtSchool,
    unlockCode: work.unlockCode ?? "",
    goesFirst: work.goesFirst,
    release: work.release,
    cutPercent: work.cutPercent,
    category: work.category,
    retake: work.retake,
    tests: tests === 0 ? "none" : tests === 1 ? "one" : "pair",
    alsoIn: classIds.filter((id) => id !== work.classId).map((id) => names.get(id) ?? ""),
    begun: targets.filter(({ sitting }) => sitting !== null).length,
    parts: parts.map(
      ({ id, title, kind, settings: { items, minutes = null, tries = null, calculator = false } }, place) => {
        const { standsWhole, tells, isRead } = conductorOf(kind);
        return {
          id,
          title: title || (parts.length === 1 ? "" : `Part ${place + 1}`),
          items,
          minutes,
          tries,
          calculator,
          isTest: standsWhole,
          isRead,
          hasTries: tells.verdict,
        };
      },
    ),
  };
}
