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

export type HealthKind =
  | "locked"
  | "no-pin"
  | "no-class"
  | "no-teacher"
  | "class-over"
  | "duplicate"
  | "grade"
  | "class-size"
  | "never-signed-in";

/** One thing that looks off, with those it is about: students, or classes for the kinds about classes. */
export interface HealthIssue {
  readonly kind: HealthKind;
  readonly ids: readonly string[];
  /** What is off, with its numbers, as a sentence. */
  readonly because: string;
}

/** A class so much larger or smaller than the usual one of its grade and subject is looked at. */
const SIZE_FACTOR = 1.6;
const LEAST_DIFFERENCE = 6;
/** With fewer classes there is no usual size. */
const LEAST_CLASSES = 3;
/** Whoever has not signed in after so many school days likely cannot. */
const DAYS_TO_SIGN_IN = 5;

/** What looks off in a roster, the most pressing first; each kind once, or once a class or pair where they differ. */
export function rosterHealth({ students, classes }: HealthFacts): HealthIssue[] {
  const issue = (kind: HealthKind, ids: readonly string[], because: (count: number) => string): HealthIssue[] =>
    ids.length === 0 ? [] : [{ kind, ids, because: because(ids.length) }];
  const idsOf = (test: (student: HealthFacts["students"][number]) => boolean) =>
    students.filter(test).map(({ id }) => id);
  const many = (count: number, one: string, more: string) => (count === 1 ? `1 ${one}` : `${count} ${more}`);
  return [
    ...issue(
      "locked",
      idsOf(({ locked }) => locked),
      (n) => `${many(n, "student is", "students are")} held at the door: wrong PINs were tried`,
    ),
    ...issue(
      "no-class",
      idsOf(({ classIds }) => classIds.length === 0),
      (n) => `${many(n, "student is", "students are")} in no class`,
    ),
    ...issue(
      "no-teacher",
      classes.filter(({ teachers }) => teachers === 0).map(({ id }) => id),
      (n) => `${many(n, "class has", "classes have")} no teacher`,
    ),
    ...issue(
      "no-pin",
      idsOf(({ hasPin, classIds }) => !hasPin && classIds.length > 0),
      (n) => `${many(n, "student has", "students have")} no PIN and no card, and can't sign in`,
    ),
    ...duplicates(students),
    ...gradesApart(students, classes),
    ...sizesApart(students, classes),
    ...issue(
      "class-over",
      classes.filter(({ over }) => over).map(({ id }) => id),
      (n) => `${many(n, "class has", "classes have")} passed the day that was set as the last one`,
    ),
    ...issue(
      "never-signed-in",
      idsOf((student) => student.hasPin && !student.signedIn && student.schoolDaysHere >= DAYS_TO_SIGN_IN),
      (n) => `${many(n, "student has", "students have")} not signed in once in ${DAYS_TO_SIGN_IN} school days or more`,
    ),
  ];
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
      because: `${same[0]?.name} is there ${same.length} times with the same ${same[0]?.birthYear ? "birth year" : "grade"}`,
    }));
}

/** Students whose grade is unlike that of most of the class. Classes made by a teacher mix grades on purpose. */
function gradesApart(students: HealthFacts["students"], classes: HealthFacts["classes"]): HealthIssue[] {
  return classes.flatMap((own) => {
    if (own.kind === "own") return [];
    const unlike = students.filter(
      ({ grade, classIds }) => classIds.includes(own.id) && grade !== null && grade !== own.grade,
    );
    if (unlike.length === 0) return [];
    const grades = [...new Set(unlike.map(({ grade }) => grade))].sort().join(", ");
    const who = unlike.length === 1 ? `${unlike[0]?.name} is` : `${unlike.length} students are`;
    return [
      {
        kind: "grade" as const,
        ids: unlike.map(({ id }) => id),
        because: `${who} in ${own.name}, a class of grade ${own.grade}, with grade ${grades}`,
      },
    ];
  });
}

function sizesApart(students: HealthFacts["students"], classes: HealthFacts["classes"]): HealthIssue[] {
  const size = new Map<string, number>();
  for (const { classIds } of students) for (const id of classIds) size.set(id, (size.get(id) ?? 0) + 1);
  return classes.flatMap((own) => {
    if (own.kind === "own") return [];
    const alike = classes.filter(
      ({ kind, grade, subject }) => kind !== "own" && grade === own.grade && subject === own.subject,
    );
    if (alike.length < LEAST_CLASSES) return [];
    const usual = median(alike.map(({ id }) => size.get(id) ?? 0));
    const here = size.get(own.id) ?? 0;
    const far = here > usual * SIZE_FACTOR || here * SIZE_FACTOR < usual;
    if (!far || Math.abs(here - usual) < LEAST_DIFFERENCE) return [];
    return [
      {
        kind: "class-size" as const,
        ids: [own.id],
        because: `${own.name} has ${here} students; the usual number in grade ${own.grade} ${own.subject} is ${usual}`,
      },
    ];
  });
}
