import "server-only";
import { dayBefore } from "@/core/calendar/dayBefore";
import { NO_SUPPORTS } from "@/core/model/supports";
import { gradeOfCode } from "@/core/roster/gradeCode";
import type { RosterEntry } from "@/core/roster/rosterEntry";
import { ROSTER_FILES, type RosterFile } from "@/core/roster/rosterRecord";
import { supportsOfWords } from "@/core/roster/supportsWords";
import { added, changedRow, type TableName } from "@/db/queries/rowChanges";
import type { RowChange } from "@/db/schema/history";
import { Refusal } from "@/server/runtime/refusal";
import {
  columnsOfClass,
  columnsOfClassStaff,
  columnsOfCourse,
  columnsOfEnrollment,
  columnsOfPerson,
  columnsOfRole,
  columnsOfSchool,
  columnsOfTerm,
} from "../../reads/columnsOfRows";
import {
  type AnyRow,
  type Applying,
  type Columns,
  echo,
  extraOf,
  type IdOf,
  idsOf,
  keysOf,
  personKinds,
  refer,
  usualGrades,
} from "./applying";
import {
  classOfColumns,
  classStaffOfColumns,
  courseOfColumns,
  enrollmentOfColumns,
  personOfColumns,
  roleOfColumns,
  schoolOfColumns,
  termOfColumns,
} from "./rowsOfColumns";

/** The rows that a difference adds and changes, in an order in which each refers only to what stands before it. */
export function rowsOfEntries(entries: readonly RosterEntry[], applying: Applying): RowChange[] {
  const ids = idsOf(entries, applying);
  const kinds = personKinds(entries, applying);
  const usual = usualGrades(entries, applying);
  const rowById = new Map<string, AnyRow>();
  const { roster, supports, memberships } = applying;
  for (const table of [...Object.values(roster), supports, memberships])
    for (const row of table) rowById.set(row.id, row);
  const schoolOfClass = new Map(roster.classes.map(({ id, schoolId }) => [id, schoolId]));
  const rows: RowChange[] = [];
  const ends: RowChange[] = [];
  for (const file of ROSTER_FILES)
    for (const entry of entries) {
      if (entry.file !== file) continue;
      const row = entry.id === null ? undefined : rowById.get(entry.id);
      if (entry.what === "inactive") {
        if (row) ends.push(...endOf(entry, row, applying));
        continue;
      }
      rows.push(
        ...(row
          ? changeOf(entry, row, ids, schoolOfClass, applying)
          : additionOf(entry, ids, { kinds, usual }, applying)),
      );
    }
  return [...rows, ...ends];
}

/** What a new row takes from other rows of the file: whether a person is a student, and the grade of a class's students. */
interface FromOtherRows {
  readonly kinds: ReadonlyMap<string, "staff" | "student">;
  readonly usual: ReadonlyMap<string, number>;
}

function additionOf(
  entry: RosterEntry,
  ids: (file: RosterFile) => IdOf,
  { kinds, usual }: FromOtherRows,
  applying: Applying,
): RowChange[] {
  const { values, file, key } = entry;
  const id = ids(file)(key) ?? applying.newId();
  const sourcedId = entry.fromSource ? key : null;
  const base = { id, sourcedId };
  switch (file) {
    case "orgs": {
      const own = schoolOfColumns(values, ids("orgs"));
      const row = { ...base, ...own, timeZone: applying.timeZone };
      return [added("schools", { ...row, extra: extraOf(values, { ...values, identifier: "" }) })];
    }
    case "academicSessions": {
      const own = termOfColumns(values, ids("academicSessions"));
      return [added("terms", { ...base, ...own, schoolId: applying.schoolId, extra: null })];
    }
    case "courses": {
      const own = courseOfColumns(values, ids("orgs"));
      const row = { ...base, ...own, schoolId: own.schoolId ?? applying.schoolId, archivedAt: null, extra: null };
      return [
        added("courses", { ...row, extra: extraOf(values, columnsOfCourse(row, keysOf(values, "orgSourcedId"))) }),
      ];
    }
    case "classes": {
      const silent = courseFor(values, ids, applying);
      const own = classOfColumns(values, refer(ids, values), {
        ...silent,
        grade: silent.grade ?? usual.get(key) ?? null,
      });
      const termId = own.termId ?? applying.termId;
      if (!termId) throw new Refusal("conflict", "The school has no term yet, so no class can be made.");
      const row = {
        ...base,
        ...own,
        schoolId: own.schoolId ?? applying.schoolId,
        termId,
        code: applying.newCode(),
        archivedAt: null,
        untilDay: null,
        extra: null,
      };
      return [
        added("classes", { ...row, extra: extraOf(values, columnsOfClass(row, echo(values, ids))) }),
        ...applying.withClass({ ...row, extra: values }),
      ];
    }
    case "users": {
      const own = personOfColumns(values, ids("orgs"));
      const kind = kinds.get(key) ?? (values.grades ? "student" : "staff");
      const row = {
        ...base,
        ...own,
        kind,
        schoolId: own.schoolId ?? applying.schoolId,
        archivedAt: null,
        erasedAt: null,
        extra: null,
      };
      return [added("people", { ...row, extra: extraOf(values, columnsOfPerson(row, echo(values, ids))) })];
    }
    case "roles": {
      const own = roleOfColumns(values, refer(ids, values));
      if (!own.personId) return [];
      const row = { ...base, ...own, personId: own.personId, schoolId: own.schoolId ?? applying.schoolId, extra: null };
      return [added("roles", { ...row, extra: extraOf(values, columnsOfRole(row, echo(values, ids))) })];
    }
    case "enrollments": {
      if (values.role === "teacher") {
        const own = classStaffOfColumns(values, refer(ids, values));
        if (!own.classId || !own.personId) return [];
        const row = { ...base, ...own, classId: own.classId, personId: own.personId, extra: null };
        return [
          added("classStaff", { ...row, extra: extraOf(values, columnsOfClassStaff(row, "", echo(values, ids))) }),
        ];
      }
      const own = enrollmentOfColumns(values, refer(ids, values), applying.today);
      if (!own.classId || !own.personId) return [];
      const row = { ...base, ...own, classId: own.classId, personId: own.personId, extra: null };
      return [
        added("enrollments", { ...row, extra: extraOf(values, columnsOfEnrollment(row, "", echo(values, ids))) }),
      ];
    }
    case "memberships": {
      const personId = ids("users")(values.userSourcedId);
      if (!personId || !values.group) return [];
      return [added("groupMembers", { id, groupId: values.group, personId, fromDay: applying.today, untilDay: null })];
    }
    case "supports": {
      const personId = ids("users")(values.userSourcedId);
      const read = supportsOfWords(values.supports ?? "");
      return personId && !("unknown" in read) ? [added("supports", { id, personId, ...NO_SUPPORTS, ...read })] : [];
    }
  }
}

/** Subject and grade of a class's course, where the class itself is silent. */
function courseFor(values: Columns, ids: (file: RosterFile) => IdOf, { roster }: Applying) {
  const id = ids("courses")(values.courseSourcedId);
  const course = roster.courses.find((row) => row.id === id);
  return { subject: course?.subject ?? null, grade: gradeOfCode(course?.extra?.grades ?? "") };
}

/** The own columns that a changed row gets, by its table. */
function changeOf(
  entry: RosterEntry,
  row: AnyRow,
  ids: (file: RosterFile) => IdOf,
  schoolOfClass: ReadonlyMap<string, string>,
  applying: Applying,
): RowChange[] {
  const { file, values, what, key } = entry;
  const source = entry.changes.find(({ column }) => column === "sourcedId")?.to;
  const back = what === "restored";
  const of = <Name extends TableName>(
    table: Name,
    own: Readonly<Record<string, unknown>>,
    columnsOf: (after: never) => Columns,
  ): RowChange[] => {
    const known = Object.fromEntries(Object.entries(own).filter(([, value]) => value !== null));
    const after = { ...row, ...known };
    const extra = extraOf(values, columnsOf(after as never));
    const wanted: Record<string, unknown> = {
      ...known,
      ...(source === undefined ? {} : { sourcedId: source }),
      extra,
    };
    const differing = Object.fromEntries(
      Object.entries(wanted).filter(
        ([column, value]) => JSON.stringify(row[column] ?? null) !== JSON.stringify(value ?? null),
      ),
    );
    return Object.keys(differing).length === 0 ? [] : [changedRow(table, row, differing)];
  };
  const { keyOf } = applying;
  switch (file) {
    case "orgs":
      return [
        ...revived("schools", row, back),
        ...of("schools", schoolOfColumns(values, ids("orgs")), (after) => columnsOfSchool(after, keyOf)),
      ];
    case "academicSessions":
      return [
        ...revived("terms", row, back),
        ...of("terms", termOfColumns(values, ids("academicSessions")), (after) => columnsOfTerm(after, keyOf)),
      ];
    case "courses":
      return [
        ...revived("courses", row, back),
        ...of("courses", courseOfColumns(values, ids("orgs")), (after) => columnsOfCourse(after, keyOf)),
      ];
    case "classes": {
      const own = classOfColumns(values, refer(ids, values), courseFor(values, ids, applying));
      // A class that a teacher made stays one, though the standard has no word for it.
      const kind = row.kind === "own" ? "own" : own.kind;
      return [
        ...revived("classes", row, back),
        ...of("classes", { ...own, kind }, (after) => columnsOfClass(after, keyOf)),
      ];
    }
    case "users": {
      const own = personOfColumns(values, ids("orgs"));
      const username = own.username === columnsOfPerson(row as never, keyOf).username ? null : own.username;
      return [
        ...revived("people", row, back),
        ...of("people", { ...own, username }, (after) => columnsOfPerson(after, keyOf)),
      ];
    }
    case "roles": {
      const own = roleOfColumns(values, refer(ids, values));
      // A file's word for a role never takes a right away that was given here.
      const role = row.role === "student" || own.role === "student" ? own.role : (row.role as typeof own.role);
      if (back) return [changedRow("roles", row, { untilDay: own.untilDay, role })];
      return of("roles", { ...own, role }, (after) => columnsOfRole(after, keyOf));
    }
    case "enrollments": {
      const school = schoolOfClass.get(String(row.classId)) ?? "";
      if (back)
        return additionOf(
          { ...entry, id: null, key },
          again(ids, applying),
          { kinds: new Map(), usual: new Map() },
          applying,
        );
      if ("role" in row) {
        const own = classStaffOfColumns(values, refer(ids, values));
        const role = row.role === "teacher" || own.role === "teacher" ? own.role : (row.role as typeof own.role);
        return of("classStaff", { ...own, role }, (after) => columnsOfClassStaff(after, school, keyOf));
      }
      const own = enrollmentOfColumns(values, refer(ids, values), row.fromDay as string);
      return of("enrollments", own, (after) => columnsOfEnrollment(after, school, keyOf));
    }
    case "memberships":
      return [];
    case "supports": {
      const read = supportsOfWords(values.supports ?? "");
      return "unknown" in read ? [] : of("supports", { ...read }, () => ({ ...values })).map(withoutExtra);
    }
  }
}

const withoutExtra = (change: RowChange): RowChange => {
  const drop = (values: RowChange["before"]) => {
    if (!values) return values;
    const { extra: _, ...rest } = values;
    return rest;
  };
  return { ...change, before: drop(change.before), after: drop(change.after) };
};

/** The same thing once more gets an id of its own: what was before stays as it was. */
const again =
  (ids: (file: RosterFile) => IdOf, { newId }: Applying): ((file: RosterFile) => IdOf) =>
  (file) =>
  (key) =>
    file === "enrollments" ? newId() : ids(file)(key);

function revived(
  table: "schools" | "terms" | "courses" | "classes" | "people",
  row: AnyRow,
  back: boolean,
): RowChange[] {
  return back ? [changedRow(table, row, { archivedAt: null })] : [];
}

/** Ends a thing: nothing is deleted, everything that hangs on it stays. */
function endOf({ file, values }: RosterEntry, row: AnyRow, { now, today }: Applying): RowChange[] {
  const archived = (table: "schools" | "terms" | "courses" | "classes" | "people") => [
    changedRow(table, row, { archivedAt: now }),
  ];
  // The file may say that it ended some days ago; the end is exclusive.
  const end = values.endDate && values.endDate < today ? values.endDate : today;
  switch (file) {
    case "orgs":
      return archived("schools");
    case "academicSessions":
      return archived("terms");
    case "courses":
      return archived("courses");
    case "classes":
      return archived("classes");
    case "users":
      return archived("people");
    case "roles":
      return [changedRow("roles", row, { untilDay: dayBefore(end) })];
    case "enrollments":
      // Of staff the last day is written down, of students the first day without.
      return "role" in row
        ? [changedRow("classStaff", row, { untilDay: dayBefore(end) })]
        : [changedRow("enrollments", row, { untilDay: end })];
    case "memberships":
      return [changedRow("groupMembers", row, { untilDay: today })];
    case "supports":
      return [];
  }
}
