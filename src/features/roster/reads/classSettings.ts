import "server-only";
import { fullName } from "@/core/roster/fullName";
import { classesById, classesOfSchools, staffOfSchools } from "@/db/queries/people";
import { staffOfClasses } from "@/db/queries/roster";
import { demandStaff } from "@/server/access/demand";
import { may } from "@/server/access/policy";
import { demandClasses, subjectOfArchived, subjectOfClass } from "@/server/access/subjects";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { todayOf } from "@/server/runtime/school";
import type { ArchivedClass, ClassSettingsView } from "../types";

/** Who is on a class, how it is shared, and what may be done with it. */
export async function classSettings(context: Context, classId: string): Promise<ClassSettingsView> {
  const { runtime, actor } = context;
  const staff = demandStaff(actor);
  await demandClasses(context, "see", [classId]);
  const db = runtime.db.read;
  const [found] = await classesById(db, [classId]);
  if (!found) throw new Refusal("not-found", "This class is not there any more.");
  const today = await todayOf(runtime, staff.schoolId);
  const [rows, colleagues] = await Promise.all([staffOfClasses(db, [classId]), staffOfSchools(db, [found.schoolId])]);
  return {
    id: found.id,
    name: found.name,
    code: found.code,
    subject: found.subject,
    grade: found.grade,
    kind: found.kind,
    untilDay: found.untilDay,
    staff: rows.map(({ row, person }) => ({
      rowId: row.id,
      personId: person.id,
      name: fullName(person),
      role: row.role,
      from: row.fromDay,
      until: row.untilDay,
      over: row.untilDay !== null && row.untilDay < today,
    })),
    colleagues: colleagues.map((colleague) => ({ id: colleague.id, name: fullName(colleague) })),
    mayShare: may(actor, "share", subjectOfClass(found)),
    mayEnroll: may(actor, "enroll", subjectOfClass(found)),
    today,
  };
}

/** Classes that were put away and that the actor may bring back or look into. */
export async function archivedClasses(context: Context): Promise<ArchivedClass[]> {
  const staff = demandStaff(context.actor);
  const db = context.runtime.db.read;
  const all = [
    ...(await classesById(db, [...staff.archivedClassTies.keys()])),
    ...(await classesOfSchools(db, staff.coordinates, true)),
  ];
  return [...new Map(all.map((row) => [row.id, row])).values()]
    .filter((row) => may(staff, "see", subjectOfArchived(row)))
    .map((row) => ({
      id: row.id,
      name: row.name,
      subject: row.subject,
      grade: row.grade,
      archivedOn: new Date(row.archivedAt ?? 0).toISOString().slice(0, 10),
      mayRestore: may(staff, "restore", subjectOfArchived(row)),
    }));
}
