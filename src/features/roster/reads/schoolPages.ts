import "server-only";
import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import { dayNumber } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { lasts } from "@/core/roster/lasts";
import { rollOverFate } from "@/core/roster/rollOverFate";
import { rosterVersion } from "@/db/queries/history";
import { classesOfSchools, peopleById, staffOfSchools } from "@/db/queries/people";
import {
  archivedPeople,
  presentEnrollments,
  rolesOfSchools,
  staffOfClasses,
  studentsOfSchools,
} from "@/db/queries/roster";
import { openErasures } from "@/db/queries/students";
import { demand, demandStaff } from "@/server/access/demand";
import { fullNames } from "@/server/classroom/names";
import type { Context } from "@/server/runtime/context";
import { dayAt, schoolOf } from "@/server/runtime/school";
import { dayWords } from "@/words/staff/dayWords";
import type { PrivacyView, RollOverView, StaffView } from "../types";

async function managed(context: Context) {
  const staff = demandStaff(context.actor);
  demand(staff, "manage", { kind: "school", schoolId: staff.schoolId });
  const school = await schoolOf(context.runtime, staff.schoolId);
  return { staff, school, today: dayAt(school, context.runtime.now()), db: context.runtime.db.read };
}

/** Weeks between a term's days and the same ones a year later: school days keep their day of the week. */
const WEEKS_A_YEAR = 52;

/** What next year's term is likely to be called, and its days; nothing that can't be changed. */
function nextTerm(term: { name: string; startDay: string; endDay: string } | undefined, today: string) {
  const later = (day: string) => dayOfNumber(dayNumber(day) + 7 * WEEKS_A_YEAR);
  const startDay = later(term?.startDay ?? today);
  const name = (term?.name ?? "Year").replace(/\s*\d{4}.*$/, "");
  return { name: `${name} ${startDay.slice(0, 4)}`, startDay, endDay: term ? later(term.endDay) : "" };
}

/** The roll-over as it is proposed: a line for each class, with its students for exceptions. */
export async function rollOverView(context: Context): Promise<RollOverView> {
  const { staff, school, today, db } = await managed(context);
  const classes = await classesOfSchools(db, [staff.schoolId], false);
  const enrollments = await presentEnrollments(db, [staff.schoolId], today);
  const students = await studentsOfSchools(db, [staff.schoolId]);
  const nameOf = fullNames(students.map(({ person }) => person));
  const lastGrade = Math.max(0, ...students.map(({ person }) => person.grade ?? 0));
  const term =
    school.terms.filter(({ closedAt, startDay }) => closedAt === null && startDay <= today).at(-1) ??
    school.terms.at(-1);
  const placed = new Set(enrollments.map(({ personId }) => personId));
  return {
    termName: term?.name ?? "",
    next: nextTerm(term, today),
    version: await rosterVersion(db, [staff.schoolId]),
    today,
    lastGrade,
    lines: classes.map((own) => {
      const ids = enrollments.filter(({ classId }) => classId === own.id).map(({ personId }) => personId);
      const fate = rollOverFate(own.grade, own.name, lastGrade);
      return {
        classId: own.id,
        name: own.name,
        subject: own.subject,
        grade: own.grade,
        kind: own.kind,
        // A class that a teacher made has no next year of its own.
        what: own.kind === "own" ? ("leaves" as const) : fate.what,
        nextGrade: fate.what === "moves" ? fate.grade : own.grade + 1,
        nextName: fate.what === "moves" ? fate.className : own.name,
        students: ids.map((id) => ({ id, name: nameOf.get(id) ?? "" })).filter(({ name }) => name !== ""),
      };
    }),
    withoutClass: students.filter(({ person }) => !placed.has(person.id)).length,
  };
}

/** Requests for erasure, what is past its keeping, and the settings. */
export async function privacyView(context: Context): Promise<PrivacyView> {
  const { staff, school, db } = await managed(context);
  const keepUntil = context.runtime.now() - school.keepYears * 365.25 * 86_400_000;
  const requests = await openErasures(db, staff.coordinates);
  const left = await archivedPeople(db, "student", staff.coordinates);
  const names = fullNames([...left, ...requests.map(({ person }) => person)]);
  const askers = fullNames(
    await peopleById(
      db,
      requests.map(({ erasure }) => erasure.requestedBy),
    ),
  );
  const dayOf = (at: number) => format(new TZDate(at, school.timeZone), "d MMM yyyy");
  return {
    settings: {
      staffIdleMinutes: school.staffIdleMinutes,
      studentIdleMinutes: school.studentIdleMinutes,
      keepYears: school.keepYears,
      lateGraceHours: school.lateGraceHours,
      decimalMark: school.decimalMark,
    },
    requests: requests.map(({ erasure, person }) => ({
      id: erasure.id,
      studentId: person.id,
      name: names.get(person.id) ?? "",
      reason: erasure.reason,
      askedBy: askers.get(erasure.requestedBy) ?? "",
      askedOn: dayOf(erasure.requestedAt),
      isOwn: erasure.requestedBy === staff.personId,
    })),
    left: left.map(({ id, archivedAt }) => ({
      id,
      name: names.get(id) ?? "",
      leftOn: dayOf(archivedAt ?? 0),
      due: (archivedAt ?? 0) < keepUntil,
    })),
  };
}

/** The school's staff with their roles and classes. */
export async function staffView(context: Context): Promise<StaffView> {
  const { staff, school, today, db } = await managed(context);
  const left = await archivedPeople(db, "staff", [staff.schoolId]);
  const members = await staffOfSchools(db, [staff.schoolId]);
  const classes = await classesOfSchools(db, [staff.schoolId], false);
  const rows = await staffOfClasses(
    db,
    classes.map(({ id }) => id),
  );
  const roles = await rolesOfSchools(db, [staff.schoolId]);
  return {
    people: members.map((person) => ({
      id: person.id,
      givenName: person.givenName,
      familyName: person.familyName,
      email: person.email ?? "",
      isSelf: person.id === staff.personId,
      role: roles.filter((row) => row.personId === person.id && lasts(row, today)).at(-1)?.role ?? null,
      classes: rows
        .filter(({ row }) => row.personId === person.id && lasts(row, today))
        .map(({ row }) => `${classes.find(({ id }) => id === row.classId)?.name ?? ""} (${row.role})`),
    })),
    left: left.map(({ id, givenName, familyName, archivedAt }) => ({
      id,
      name: `${givenName} ${familyName}`,
      leftOn: dayWords(dayAt(school, archivedAt ?? 0)),
    })),
  };
}
