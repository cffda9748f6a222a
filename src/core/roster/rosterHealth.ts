import { groupBy } from "../collections/groupBy";
import { median } from "../numeric/median";
import { bareName } from "./bareName";

/** What is looked at. Only what is active. */
export interface HealthFacts {
  readonly students: readonly {
    readonly id: string;
    readonly name: string;
    readonly grade: number | null;
    readonly birthYear: number | null;
    readonly classIds: readonly string[];
    readonly hasPin: boolean;
    readonly locked: boolean;
    readonly signedIn: boolean;
    /** School days since the student came to the first of the classes. */
    readonly schoolDaysHere: number;
  }[];
  readonly classes: readonly {
    readonly id: string;
    readonly name: string;
    readonly grade: number;
    readonly subject: string;
    readonly kind: "scheduled" | "homeroom" | "own";
    readonly teachers: number;
    /** The day that was meant as its last lies behind. */
    readonly over: boolean;
  }[];
}

/** What is known of each kind of thing that looks off, beside whom it is about. */
export interface HealthKinds {
  locked: Nothing;
  "no-pin": Nothing;
  "no-class": Nothing;
  "no-teacher": Nothing;
  "class-over": Nothing;
  /** Several of one name, and what else they share. */
  duplicate: { readonly name: string; readonly share: "birth-year" | "grade" };
  /** One student by name, or several (null), in a class of another grade. */
  grade: {
    readonly name: string | null;
    readonly className: string;
    readonly classGrade: number;
    readonly grades: readonly number[];
  };
  "class-size": {
    readonly className: string;
    readonly students: number;
    readonly usual: number;
    readonly grade: number;
    readonly subject: string;
  };
  /** Not once in so many school days or more. */
  "never-signed-in": { readonly schoolDays: number };
}
type Nothing = Readonly<Record<string, never>>;
export type HealthKind = keyof HealthKinds;

/** One thing that looks off, with those it is about: students, or classes for the kinds about classes. */
export type HealthIssue = {
  readonly [K in HealthKind]: { readonly kind: K; readonly ids: readonly string[]; readonly facts: HealthKinds[K] };
}[HealthKind];

/** A class so much larger or smaller than the usual one of its grade and subject is looked at. */
const SIZE_FACTOR = 1.6;
const LEAST_DIFFERENCE = 6;
/** With fewer classes there is no usual size. */
const LEAST_CLASSES = 3;
/** Whoever has not signed in after so many school days likely cannot. */
const DAYS_TO_SIGN_IN = 5;

/** What looks off in a roster, the most pressing first; each kind once, or once a class or pair where they differ. */
export function rosterHealth({ students, classes }: HealthFacts): HealthIssue[] {
  const idsOf = (test: (student: HealthFacts["students"][number]) => boolean) =>
    students.filter(test).map(({ id }) => id);
  const classIdsOf = (test: (own: HealthFacts["classes"][number]) => boolean) =>
    classes.filter(test).map(({ id }) => id);
  const stranger = (student: HealthFacts["students"][number]) =>
    student.hasPin && !student.signedIn && student.schoolDaysHere >= DAYS_TO_SIGN_IN;
  const issues: readonly HealthIssue[] = [
    { kind: "locked", ids: idsOf(({ locked }) => locked), facts: {} },
    { kind: "no-class", ids: idsOf(({ classIds }) => classIds.length === 0), facts: {} },
    { kind: "no-teacher", ids: classIdsOf(({ teachers }) => teachers === 0), facts: {} },
    { kind: "no-pin", ids: idsOf(({ hasPin, classIds }) => !hasPin && classIds.length > 0), facts: {} },
    ...duplicates(students),
    ...gradesApart(students, classes),
    ...sizesApart(students, classes),
    { kind: "class-over", ids: classIdsOf(({ over }) => over), facts: {} },
    { kind: "never-signed-in", ids: idsOf(stranger), facts: { schoolDays: DAYS_TO_SIGN_IN } },
  ];
  return issues.filter(({ ids }) => ids.length > 0);
}

function duplicates(students: HealthFacts["students"]): HealthIssue[] {
  const byClue = new Map<string, HealthFacts["students"][number][]>();
  for (const student of students) {
    const clue = `${bareName(student.name)}|${student.birthYear ?? `grade ${student.grade}`}`;
    byClue.set(clue, [...(byClue.get(clue) ?? []), student]);
  }
  return [...byClue.values()]
    .filter((same) => same.length > 1)
    .map((same) => ({
      kind: "duplicate" as const,
      ids: same.map(({ id }) => id),
      facts: { name: same[0]?.name ?? "", share: same[0]?.birthYear ? ("birth-year" as const) : ("grade" as const) },
    }));
}

/** Students whose grade is unlike that of most of the class. Classes made by a teacher mix grades on purpose. */
function gradesApart(students: HealthFacts["students"], classes: HealthFacts["classes"]): HealthIssue[] {
  // Class by class through all students, a district took half a minute.
  const ofClass = groupBy(
    students.flatMap((student) => student.classIds.map((classId) => ({ classId, student }))),
    ({ classId }) => classId,
  );
  return classes.flatMap((own) => {
    if (own.kind === "own") return [];
    const unlike = (ofClass.get(own.id) ?? [])
      .map(({ student }) => student)
      .filter(({ grade }) => grade !== null && grade !== own.grade);
    if (unlike.length === 0) return [];
    const grades = [...new Set(unlike.flatMap(({ grade }) => grade ?? []))].sort((x, y) => x - y);
    const name = unlike.length === 1 ? (unlike[0]?.name ?? "") : null;
    return [
      {
        kind: "grade" as const,
        ids: unlike.map(({ id }) => id),
        facts: { name, className: own.name, classGrade: own.grade, grades },
      },
    ];
  });
}

function sizesApart(students: HealthFacts["students"], classes: HealthFacts["classes"]): HealthIssue[] {
  const size = new Map<string, number>();
  for (const { classIds } of students) for (const id of classIds) size.set(id, (size.get(id) ?? 0) + 1);
  const alike = groupBy(
    classes.filter(({ kind }) => kind !== "own"),
    ({ grade, subject }) => JSON.stringify([grade, subject]),
  );
  return [...alike.values()].flatMap((some) => {
    if (some.length < LEAST_CLASSES) return [];
    const usual = median(some.map(({ id }) => size.get(id) ?? 0));
    return some.flatMap(({ id, name, grade, subject }) => {
      const here = size.get(id) ?? 0;
      const far = here > usual * SIZE_FACTOR || here * SIZE_FACTOR < usual;
      if (!far || Math.abs(here - usual) < LEAST_DIFFERENCE) return [];
      return [
        { kind: "class-size" as const, ids: [id], facts: { className: name, students: here, usual, grade, subject } },
      ];
    });
  });
}
