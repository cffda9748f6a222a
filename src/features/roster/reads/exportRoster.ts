import "server-only";
import { gradeCode } from "@/core/roster/gradeCode";
import { ROSTER_FIELDS } from "@/core/roster/rosterField";
import { rowsWrittenSince } from "@/db/queries/history";
import { classesById, studentsOfClasses } from "@/db/queries/people";
import { groupsOfStudents } from "@/db/queries/regroup";
import { presentEnrollments, studentsOfSchools } from "@/db/queries/roster";
import { supportsOf } from "@/db/queries/students";
import type { Queryable } from "@/db/queryable";
import { ONE_ROSTER_COLUMNS, ONE_ROSTER_FILES } from "@/formats/package/oneRosterFiles";
import type { OneRosterPackage } from "@/formats/package/oneRosterPackage";
import { demand, demandStaff } from "@/server/access/demand";
import type { StaffActor } from "@/server/access/policy";
import { may } from "@/server/access/policy";
import { demandClasses, groupSubjects } from "@/server/access/subjects";
import type { Context } from "@/server/runtime/context";
import { dayAt, instantAt, schoolOf, todayOf } from "@/server/runtime/school";
import { ROSTER_FIELD_NAMES } from "@/words/staff/rosterFieldNames";
import { wordsOfSupports } from "@/words/staff/supportsWords";
import { knownRoster } from "./knownRecords";

/**
 * The whole roster as a package of the roster standard; what has ended is left out, as the standard's bulk files want it. Since
 * a day, only what was written from then on, as delta files, what has ended marked so.
 */
export async function rosterPackage(context: Context, sinceDay: string | null = null): Promise<OneRosterPackage> {
  const staff = demandStaff(context.actor);
  demand(staff, "manage", { kind: "school", schoolId: staff.schoolId });
  const school = await schoolOf(context.runtime, staff.schoolId);
  const today = dayAt(school, context.runtime.now());
  const { records } = await knownRoster(context.runtime.db.read, staff.coordinates, today);
  const modified = new Date(context.runtime.now()).toISOString();
  const written =
    sinceDay === null
      ? null
      : await rowsWrittenSince(context.runtime.db.read, staff.coordinates, instantAt(school, sinceDay, "00:00"));
  const known = new Set(records.filter(({ active }) => active).map(({ file, key }) => `${file} ${key}`));
  const isThere = (file: string, key: string | undefined) => key === undefined || known.has(`${file} ${key}`);
  const tables = Object.fromEntries(
    ONE_ROSTER_FILES.map((file) => {
      const columns = new Set(ONE_ROSTER_COLUMNS[file].map(({ name }) => name));
      const rows = records
        .filter((record) => record.file === file && (written === null ? record.active : written.has(record.id)))
        .filter(
          ({ active, values }) =>
            !active || (isThere("users", values.userSourcedId) && isThere("classes", values.classSourcedId)),
        )
        .map(({ key, values, active }) => ({
          sourcedId: key,
          status: active ? "active" : "tobedeleted",
          dateLastModified: modified,
          // Birth years are no part of the standard's users; they travel in sheets only.
          ...Object.fromEntries(
            Object.entries(values).filter(([column]) => columns.has(column) || column !== "birthYear"),
          ),
        }));
      return [file, { mode: written === null ? ("bulk" as const) : ("delta" as const), rows }];
    }),
  );
  return { source: { systemName: "Oxbow", systemCode: school.id }, tables };
}

/** The plain sheet of some classes, or of the whole school: one row a student, headers first. */
export async function rosterSheet(context: Context, classIds: readonly string[]): Promise<string[][]> {
  const staff = demandStaff(context.actor);
  const whole = classIds.length === 0;
  if (whole) demand(staff, "manage", { kind: "school", schoolId: staff.schoolId });
  else await demandClasses(context, "export", classIds);
  const db = context.runtime.db.read;
  const today = await todayOf(context.runtime, staff.schoolId);
  const rows = whole ? await studentsOfSchools(db, staff.coordinates) : await studentsOfClasses(db, classIds, today);
  const ids = rows.map(({ person }) => person.id);
  const [classNames, groupNames, supports] = await Promise.all([
    namesOfClasses(db, today, whole ? staff.coordinates : [staff.schoolId], whole ? null : classIds),
    namesOfGroups(db, staff, ids, today),
    supportsOf(db, ids),
  ]);
  const supportsById = new Map(supports.map((row) => [row.personId, row]));
  const fields = ROSTER_FIELDS.filter((field) => field !== "fullName");
  return [
    fields.map((field) => ROSTER_FIELD_NAMES[field]),
    ...rows.map(({ person }) => {
      const own = supportsById.get(person.id);
      const cells: Record<(typeof fields)[number], string> = {
        studentNumber: person.studentNumber ?? "",
        givenName: person.givenName,
        familyName: person.familyName,
        grade: person.grade === 0 ? "K" : gradeCode(person.grade).replace(/^0/, ""),
        classes: (classNames.get(person.id) ?? []).join("; "),
        email: person.email ?? "",
        username: person.username ?? "",
        birthYear: person.birthYear === null ? "" : String(person.birthYear),
        groups: (groupNames.get(person.id) ?? []).join("; "),
        supports: own ? wordsOfSupports(own) : "",
      };
      return fields.map((field) => cells[field]);
    }),
  ];
}

async function namesOfClasses(
  db: Queryable,
  today: string,
  schoolIds: readonly string[],
  only: readonly string[] | null,
) {
  const enrollments = await presentEnrollments(db, schoolIds, today);
  const classes = await classesById(db, [...new Set(enrollments.map(({ classId }) => classId))]);
  const nameOf = new Map(classes.map(({ id, name }) => [id, name]));
  const names = new Map<string, string[]>();
  for (const { personId, classId } of enrollments)
    if (only === null || only.includes(classId))
      names.set(personId, [...(names.get(personId) ?? []), nameOf.get(classId) ?? ""].sort());
  return names;
}

/** Names of the groups that the asker may change, by student. */
async function namesOfGroups(db: Queryable, staff: StaffActor, personIds: readonly string[], today: string) {
  const rows = await groupsOfStudents(db, personIds, today);
  const subjects = await groupSubjects(
    db,
    staff,
    rows.map(({ group }) => group),
  );
  const names = new Map<string, string[]>();
  for (const [place, { personId, group }] of rows.entries()) {
    const subject = subjects[place];
    if (subject && may(staff, "change", subject))
      names.set(personId, [...(names.get(personId) ?? []), group.name].sort());
  }
  return names;
}
