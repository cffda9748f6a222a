import "server-only";
import { formatDistance } from "date-fns";
import { cache } from "react";
import { schoolDaysBetween } from "@/core/calendar/schoolDaysBetween";
import { groupBy } from "@/core/collections/groupBy";
import { fullName } from "@/core/roster/fullName";
import { lasts } from "@/core/roster/lasts";
import { type HealthIssue, rosterHealth } from "@/core/roster/rosterHealth";
import { classesById, classesOfSchools, studentsOfClasses } from "@/db/queries/people";
import { presentEnrollments, staffOfClasses, studentsOfSchools } from "@/db/queries/roster";
import { supportsOf } from "@/db/queries/students";
import { demand, demandStaff } from "@/server/access/demand";
import { type Actor, may } from "@/server/access/policy";
import { demandClasses, openClasses, subjectOfClass } from "@/server/access/subjects";
import { fullNames } from "@/server/classroom/names";
import type { Context } from "@/server/runtime/context";
import { keyOfList, listOfKey } from "@/server/runtime/listKey";
import type { Runtime } from "@/server/runtime/runtime";
import { dayAt, schoolOf } from "@/server/runtime/school";
import { healthWords } from "@/words/staff/rosterWords";
import type { HealthView, RosterStudent, RosterView } from "../types";

/** The roster of some classes, or of the whole school for coordinators when no class is named. */
export async function rosterView(context: Context, classIds: readonly string[]): Promise<RosterView> {
  return readRoster(context.runtime, context.actor, keyOfList(classIds));
}

/** Read once per request: the frame asks for its figure, the page for the rest. */
const readRoster = cache(async (runtime: Runtime, actor: Actor, classesKey: string): Promise<RosterView> => {
  const staff = demandStaff(actor);
  const classIds = listOfKey(classesKey);
  const whole = classIds.length === 0 && staff.coordinates.length > 0;
  if (whole) for (const schoolId of staff.coordinates) demand(actor, "manage", { kind: "school", schoolId });
  else await demandClasses({ runtime, actor }, "see", classIds);
  const db = runtime.db.read;
  const school = await schoolOf(runtime, actor.schoolId);
  const now = runtime.now();
  const today = dayAt(school, now);
  const classes = whole ? await classesOfSchools(db, staff.coordinates, false) : await classesById(db, classIds);
  const ids = new Set(classes.map(({ id }) => id));
  const schoolIds = [...new Set(classes.map(({ schoolId }) => schoolId))];
  const enrollments = (await presentEnrollments(db, whole ? staff.coordinates : schoolIds, today)).filter(
    ({ classId }) => ids.has(classId),
  );
  const rows = whole ? await studentsOfSchools(db, staff.coordinates) : await studentsOfClasses(db, classIds, today);
  const personIds = rows.map(({ person }) => person.id);
  const [teachers, supportRows] = await Promise.all([staffOfClasses(db, [...ids]), supportsOf(db, personIds)]);
  const supports = new Set(supportRows.map(({ personId }) => personId));
  const ofStudent = new Map<string, string[]>();
  const firstDay = new Map<string, string>();
  const size = new Map<string, number>();
  for (const { personId, classId, fromDay } of enrollments) {
    ofStudent.set(personId, [...(ofStudent.get(personId) ?? []), classId]);
    size.set(classId, (size.get(classId) ?? 0) + 1);
    if (fromDay < (firstDay.get(personId) ?? "9999")) firstDay.set(personId, fromDay);
  }
  const nameOfClass = new Map(classes.map(({ id, name }) => [id, name]));
  // Most came on the same day: each first day is reckoned once.
  const daysSince = new Map<string, number>();
  const daysHere = (personId: string) => {
    const first = firstDay.get(personId);
    if (first === undefined || first > today) return 0;
    const days = daysSince.get(first) ?? schoolDaysBetween(first, today, school.calendar);
    daysSince.set(first, days);
    return days;
  };
  const names = fullNames(rows.map(({ person }) => person));
  const students = rows.map(({ person, pinKind, cardHash, lockedUntil, lastSignInAt }) => {
    const own = ofStudent.get(person.id) ?? [];
    const locked = lockedUntil !== null && lockedUntil > now;
    const canSignIn = pinKind !== null || cardHash !== null;
    const view: RosterStudent = {
      id: person.id,
      name: names.get(person.id) ?? "",
      studentNumber: person.studentNumber ?? "",
      grade: person.grade,
      classIds: own,
      className: own.map((id) => nameOfClass.get(id) ?? "").join(", "),
      signIn: locked ? "locked" : !canSignIn ? "none" : lastSignInAt ? "used" : "never",
      lastSignIn: lastSignInAt ? formatDistance(lastSignInAt, now, { addSuffix: true }) : null,
      hasSupports: supports.has(person.id),
    };
    return { view, person };
  });
  const lasting = teachers.filter(({ row }) => lasts(row, today) && (row.fromDay === null || row.fromDay <= today));
  const staffBy = groupBy(lasting, ({ row }) => row.classId);
  const issues = rosterHealth({
    students: students.map(({ view, person }) => ({
      id: view.id,
      name: fullName(person),
      grade: person.grade,
      birthYear: person.birthYear,
      classIds: view.classIds,
      hasPin: view.signIn !== "none",
      locked: view.signIn === "locked",
      signedIn: view.lastSignIn !== null,
      schoolDaysHere: daysHere(view.id),
    })),
    classes: classes.map(({ id, name, grade, subject, kind, untilDay }) => ({
      id,
      name,
      grade,
      subject,
      kind,
      teachers: (staffBy.get(id) ?? []).filter(({ row }) => row.role !== "specialist").length,
      over: untilDay !== null && untilDay < today,
    })),
  });
  const enrollable = (await openClasses(db, staff)).filter((row) => may(actor, "enroll", subjectOfClass(row)));
  const nameOf = new Map([...nameOfClass, ...students.map(({ view }) => [view.id, view.name] as const)]);
  return {
    schoolName: whole ? school.name : null,
    classes: classes.map(({ id, name, code, grade, subject, kind }) => ({
      id,
      name,
      code,
      grade,
      subject,
      kind,
      students: size.get(id) ?? 0,
      staff: (staffBy.get(id) ?? []).map(({ person }) => fullName(person)),
    })),
    students: students.map(({ view }) => view),
    health: issues.map((issue) => healthView(issue, nameOf)),
    mayEnroll: whole || classes.every((row) => may(actor, "enroll", subjectOfClass(row))),
    openClasses: enrollable.map(({ id, name }) => ({ id, name })),
    mayManage: may(actor, "manage", { kind: "school", schoolId: actor.schoolId }),
    today,
  };
});

const healthView = (issue: HealthIssue, nameOf: ReadonlyMap<string, string>): HealthView => ({
  kind: issue.kind,
  because: healthWords(issue),
  about: issue.ids.map((id) => ({ id, name: nameOf.get(id) ?? "" })),
});
