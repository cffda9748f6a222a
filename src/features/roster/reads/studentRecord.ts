import "server-only";
import { NO_SUPPORTS, type StudentSupports } from "@/core/model/supports";
import { fullName } from "@/core/roster/fullName";
import { credentialOf } from "@/db/queries/credentials";
import { staffAround } from "@/db/queries/people";
import { enrollmentsOf, staffOfClasses } from "@/db/queries/roster";
import { interestsOf, openErasures, supportsOf } from "@/db/queries/students";
import { staffActors } from "@/server/access/actorOf";
import { demand } from "@/server/access/demand";
import { type Actor, may, RIGHTS, type Right, type Tie, tiesTo } from "@/server/access/policy";
import { studentSubject } from "@/server/access/studentSubject";
import { subjectOfClass } from "@/server/access/subjects";
import { fullNames } from "@/server/classroom/names";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { todayOf } from "@/server/runtime/school";
import { dayWords } from "@/words/staff/dayWords";
import type { AccessView, StudentRecordView } from "../types";

/** A student's own page in the roster: data, classes then and now, supports, sign-in. */
export async function studentRecord(context: Context, studentId: string): Promise<StudentRecordView> {
  const { runtime, actor } = context;
  const db = runtime.db.read;
  const { person, classes, groups, subject } = await studentSubject(runtime, studentId);
  demand(actor, "see", subject);
  const maySupports = may(actor, "see-supports", subject);
  const now = runtime.now();
  const today = await todayOf(runtime, person.schoolId);
  const [enrollments, supports, interests, credential, erasures] = await Promise.all([
    enrollmentsOf(db, studentId, today),
    maySupports ? supportsOf(db, [studentId]) : [],
    interestsOf(db, studentId),
    credentialOf(db, studentId),
    may(actor, "erase", subject) ? openErasures(db, [person.schoolId]) : [],
  ]);
  return {
    id: person.id,
    name: fullName(person),
    givenName: person.givenName,
    familyName: person.familyName,
    studentNumber: person.studentNumber ?? "",
    grade: person.grade,
    email: person.email ?? "",
    birthYear: person.birthYear,
    left: person.archivedAt !== null,
    enrollments: enrollments.map(({ enrollment, class: own, holds }) => ({
      id: enrollment.id,
      classId: own.id,
      className: own.name,
      from: enrollment.fromDay,
      until: enrollment.untilDay,
      archived: own.archivedAt !== null,
      over: !holds,
      mayLeave: holds && may(actor, "enroll", subjectOfClass(own)),
    })),
    groups: groups.map(({ id, name }) => ({ id, name })),
    supports: maySupports ? supportsView(supports[0]) : null,
    subjects: (await libraryOf(runtime)).subjects.map(({ id, name }) => ({ id, name })),
    interests: interests.map(({ interest }) => interest),
    signIn:
      credential === null
        ? "none"
        : credential.lockedUntil !== null && credential.lockedUntil > now
          ? "locked"
          : credential.lastSignInAt
            ? "used"
            : "never",
    hasCard: credential?.cardHash != null,
    classNames: classes.map(({ name }) => name),
    erasureAsked: erasures.some(({ person: { id } }) => id === studentId),
    may: {
      change: may(actor, "change", subject),
      supports: may(actor, "change-supports", subject),
      signIn: may(actor, "reset-sign-in", subject),
      export: may(actor, "export", subject),
      erase: may(actor, "erase", subject),
      manage: may(actor, "manage", { kind: "school", schoolId: person.schoolId }),
    },
  };
}

/** The supports of a row, and nothing else of it. */
function supportsView(row: StudentSupports | undefined): StudentSupports {
  const fields = Object.keys(NO_SUPPORTS) as (keyof StudentSupports)[];
  return { ...NO_SUPPORTS, ...(row ? Object.fromEntries(fields.map((field) => [field, row[field]])) : {}) };
}

/** The interests that the asking student has chosen. */
export async function ownInterests({ runtime, actor }: Context): Promise<string[]> {
  const { personId, schoolId } = actor;
  demand(actor, "choose-interests", { kind: "student", personId, schoolId, classIds: [], groupIds: [] });
  return (await interestsOf(runtime.db.read, personId)).map(({ interest }) => interest);
}

const TIE_WORDS: Readonly<Record<Tie, string>> = {
  teacher: "teaches",
  "co-teacher": "is co-teacher of",
  substitute: "stands in for",
  specialist: "is specialist for",
  coordinator: "coordinates the school",
  "group owner": "owns the group",
  "group colleague": "shares the group",
  keeper: "looks after it",
  changer: "may change it",
  user: "may use it",
  self: "",
  author: "",
};

/** Who can see a student, and why: every member of staff whom the policy lets in, with each tie that does. */
export async function whoCanSee(context: Context, studentId: string): Promise<AccessView> {
  const { runtime, actor } = context;
  const db = runtime.db.read;
  const { person, classes, groups, subject } = await studentSubject(runtime, studentId);
  demand(actor, "manage", { kind: "school", schoolId: person.schoolId });
  const staff = await staffAround(db, subject);
  const staffRows = await staffOfClasses(
    db,
    classes.map(({ id }) => id),
  );
  const names = fullNames(staff);
  const people = (await staffActors(runtime, staff))
    .filter((other) => may(other, "see", subject))
    .map((other) => ({
      id: other.personId,
      name: names.get(other.personId) ?? other.name,
      why: reasons(
        other,
        subject,
        classes,
        groups,
        (classId) =>
          staffRows.find(({ row }) => row.classId === classId && row.personId === other.personId)?.row.untilDay ?? null,
      ),
      may: rightsWords(other, subject),
    }));
  return {
    studentId,
    name: fullName(person),
    left: person.archivedAt !== null,
    people: people.sort((x, y) => x.name.localeCompare(y.name)),
    own: "The student sees the own work and results that were given back; no other student sees anything of them.",
  };
}

function reasons(
  other: Actor,
  subject: Awaited<ReturnType<typeof studentSubject>>["subject"],
  classes: readonly { readonly id: string; readonly name: string }[],
  groups: readonly { readonly id: string; readonly name: string }[],
  untilOf: (classId: string) => string | null,
): string[] {
  if (other.kind !== "staff") return [];
  const why = [
    ...(other.coordinates.includes(subject.schoolId) ? [TIE_WORDS.coordinator] : []),
    ...classes.flatMap(({ id, name }) => {
      const tie = other.classTies.get(id);
      if (!tie) return [];
      const until = untilOf(id);
      return [`${TIE_WORDS[tie]} ${name}${until === null ? "" : ` until ${dayWords(until)}`}`];
    }),
    ...groups.flatMap(({ id, name }) => {
      const tie = other.groupTies.get(id);
      return tie ? [`${TIE_WORDS[tie]} “${name}”`] : [];
    }),
  ];
  return why;
}

/** What somebody may do with the student, in the policy's own words. */
function rightsWords(other: Actor, subject: Awaited<ReturnType<typeof studentSubject>>["subject"]): string[] {
  const ties = tiesTo(other, subject);
  return Object.values(RIGHTS.student as Readonly<Record<string, Right>>)
    .filter((right) => ties.some((tie) => right.ties.includes(tie)))
    .map(({ words }) => words);
}

/** Ties whose own word says too little to somebody who reads the rules. */
const TIE_NAMES: Readonly<Partial<Record<Tie, string>>> = {
  self: "the student",
  author: "whoever did it, while the class or group is theirs",
  "group owner": "the group's owner",
  "group colleague": "whoever shares a group",
};

/** The whole policy as sentences, for the page that explains it. */
export function policyWords(): {
  readonly about: string;
  readonly rights: readonly { words: string; who: string }[];
}[] {
  return (["class", "student", "group", "school", "entry"] as const).map((about) => ({
    about,
    rights: Object.values(RIGHTS[about] as Readonly<Record<string, Right>>).map(({ words, ties }) => ({
      words,
      who: ties.map((tie) => TIE_NAMES[tie] ?? tie).join(", "),
    })),
  }));
}
