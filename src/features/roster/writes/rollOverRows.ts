import "server-only";
import type { ClassRow, PersonRow } from "@/db/queries/people";
import type { ClassStaffRow, EnrollmentRow } from "@/db/queries/roster";
import { added, changed } from "@/db/queries/rowChanges";
import type { RowChange } from "@/db/schema/history";

export interface RollOverPlan {
  readonly startDay: string;
  readonly lines: readonly {
    readonly classId: string;
    readonly what: "leaves" | "moves";
    readonly grade: number;
    readonly className: string;
  }[];
  readonly exceptions: readonly { readonly studentId: string; readonly what: "stays" | "leaves" }[];
  readonly teachers: "by-name" | "with-students" | "later";
}

/** The school as it stands before the year's end. */
export interface BeforeRollOver {
  readonly classes: readonly ClassRow[];
  readonly enrollments: readonly EnrollmentRow[];
  readonly students: ReadonlyMap<string, PersonRow>;
  readonly classStaff: readonly ClassStaffRow[];
  readonly termId: string;
  readonly today: string;
  readonly now: number;
  readonly newId: () => string;
  readonly newCode: () => string;
  readonly planOf: (row: ClassRow) => readonly RowChange[];
}

export interface RolledOver {
  readonly rows: readonly RowChange[];
  readonly movedUp: number;
  readonly left: number;
  readonly made: number;
  readonly putAway: number;
}

/** The rows that put classes away, make the next ones, and let every student go up, stay or leave. */
export function rollOverRows(plan: RollOverPlan, school: BeforeRollOver): RolledOver {
  const { classes, enrollments, students, today, now, newId } = school;
  const classById = new Map(classes.map((row) => [row.id, row]));
  const { movesTo, made } = nextClasses(plan, school, classById);
  const { leaving, staying } = exceptionsOf(plan, enrollments, classById);
  const places: RowChange[] = [];
  const newGrade = new Map<string, number>();
  for (const enrollment of enrollments) {
    const { personId, classId } = enrollment;
    const from = classById.get(classId);
    places.push(changed("enrollments", enrollment, { untilDay: today }));
    if (!from || leaving.has(personId)) continue;
    // Whoever stays in the grade goes to the new class of the old name, if there is one.
    const to = staying.has(personId) ? sameName(made, from) : movesTo.get(classId);
    if (!to) continue;
    if (!staying.has(personId) && from.kind !== "own") newGrade.set(personId, to.grade);
    places.push(added("enrollments", { id: newId(), classId: to.id, personId, fromDay: plan.startDay }));
  }
  const people = [
    ...[...newGrade].flatMap(([id, grade]) => {
      const person = students.get(id);
      return person && person.grade !== grade ? [changed("people", person, { grade })] : [];
    }),
    ...[...leaving].flatMap((id) => {
      const person = students.get(id);
      return person ? [changed("people", person, { archivedAt: now })] : [];
    }),
  ];
  const inPlan = new Set(plan.lines.map(({ classId }) => classId));
  const putAway = classes.filter(({ id }) => inPlan.has(id)).map((row) => changed("classes", row, { archivedAt: now }));
  return {
    rows: [
      ...made.flatMap((row) => [added("classes", row), ...school.planOf(row)]),
      ...putAway,
      ...places,
      ...people,
      ...teacherRows(plan.teachers, movesTo, made, school, classById),
    ],
    movedUp: newGrade.size,
    left: leaving.size,
    made: made.length,
    putAway: putAway.length,
  };
}

/** New classes by name and subject: two old classes may flow into one. */
function nextClasses(plan: RollOverPlan, school: BeforeRollOver, classById: ReadonlyMap<string, ClassRow>) {
  const byKey = new Map<string, ClassRow>();
  const names = new Set<string>();
  const movesTo = new Map<string, ClassRow>();
  for (const { classId, what, className, grade } of plan.lines) {
    const from = classById.get(classId);
    if (!from || what === "leaves") continue;
    const key = `${className.toLowerCase()}|${from.subject}`;
    const known = byKey.get(key);
    const taken = names.has(className.toLowerCase());
    const row: ClassRow = known ?? {
      ...from,
      id: school.newId(),
      termId: school.termId,
      name: taken ? `${className} ${from.subject}`.slice(0, 40) : className,
      grade,
      code: school.newCode(),
      untilDay: null,
      sourcedId: null,
      extra: null,
      archivedAt: null,
    };
    byKey.set(key, row);
    names.add(className.toLowerCase());
    movesTo.set(classId, row);
  }
  return { movesTo, made: [...byKey.values()] };
}

/** Who leaves and who stays: by exception, or with a class that leaves. A teacher's own class only ends. */
function exceptionsOf(
  plan: RollOverPlan,
  enrollments: readonly EnrollmentRow[],
  classById: ReadonlyMap<string, ClassRow>,
) {
  const named = (wanted: "stays" | "leaves") =>
    new Set(plan.exceptions.filter(({ what }) => what === wanted).map(({ studentId }) => studentId));
  const [leaving, staying] = [named("leaves"), named("stays")];
  const lastClasses = new Set(
    plan.lines
      .filter(({ what, classId }) => what === "leaves" && classById.get(classId)?.kind !== "own")
      .map(({ classId }) => classId),
  );
  for (const { personId, classId } of enrollments)
    if (lastClasses.has(classId) && !staying.has(personId)) leaving.add(personId);
  return { leaving, staying };
}

const sameName = (made: readonly ClassRow[], from: ClassRow | undefined) =>
  made.find(({ name, subject }) => name === from?.name && subject === from.subject);

function teacherRows(
  how: RollOverPlan["teachers"],
  movesTo: ReadonlyMap<string, ClassRow>,
  made: readonly ClassRow[],
  { classStaff, newId }: BeforeRollOver,
  classById: ReadonlyMap<string, ClassRow>,
): RowChange[] {
  if (how === "later") return [];
  const seen = new Set<string>();
  return classStaff.flatMap(({ classId, personId, role, untilDay }) => {
    if (untilDay !== null || role === "substitute") return [];
    const to = how === "with-students" ? movesTo.get(classId) : sameName(made, classById.get(classId));
    if (!to || seen.has(`${to.id} ${personId}`)) return [];
    seen.add(`${to.id} ${personId}`);
    return [added("classStaff", { id: newId(), classId: to.id, personId, role })];
  });
}
