import "server-only";
import type { SchoolDay } from "@/core/calendar/dayNumber";
import { termAround } from "@/core/calendar/termOn";
import type { PlanPace } from "@/core/model/planPlace";
import { datesOfSlots, type SlotDates } from "@/core/plan/datesOfSlots";
import { type LessonCalendar, lessonsBetween } from "@/core/plan/lessonDays";
import { classScope } from "@/core/roster/classScope";
import { type ClassRow, classesById } from "@/db/queries/people";
import { type PlanRow, type PlanSlotRow, planOf, planOfClass, slotsOfPlan } from "@/db/queries/plan";
import type { Queryable } from "@/db/queryable";
import { libraryOf } from "@/server/library/library";
import { Refusal } from "@/server/runtime/refusal";
import type { Runtime } from "@/server/runtime/runtime";
import { dayAt, type School, schoolOf } from "@/server/runtime/school";
import { type ClassSlot, newSlot, slotOfRow } from "./classSlot";

/** A class's plan with its dates. */
export interface ClassPlan {
  readonly class: ClassRow;
  readonly school: School;
  readonly today: SchoolDay;
  readonly subjectId: string;
  readonly firstDay: SchoolDay;
  readonly calendar: LessonCalendar;
  /** Who let it run by itself; null where it does not. */
  readonly runById: string | null;
  readonly pace: PlanPace;
  readonly slots: readonly ClassSlot[];
  readonly dates: readonly SlotDates[];
  /** Its rows; null and empty while the class has nothing but the days of its skills, from which the slots are made. */
  readonly row: PlanRow | null;
  readonly slotRows: readonly PlanSlotRow[];
  readonly entries: Awaited<ReturnType<typeof planOf>>;
}

const EVERY_DAY = [1, 2, 3, 4, 5] as const;

/** The plan of a class; one that was never worked on is read from the days of its skills, a slot for each. */
export async function classPlanOf(db: Queryable, runtime: Runtime, classId: string): Promise<ClassPlan> {
  const [own] = await classesById(db, [classId]);
  if (!own) throw new Refusal("not-found", "This class is not known.");
  const [school, library, row, entries] = await Promise.all([
    schoolOf(runtime, own.schoolId),
    libraryOf(runtime),
    planOfClass(db, classId),
    planOf(db, classId),
  ]);
  const today = dayAt(school, runtime.now());
  const subjects = library.subjectsAt(own.schoolId);
  const [subject] = classScope([own.subject], subjects);
  const calendar: LessonCalendar = { ...school.calendar, weekdays: row?.weekdays ?? EVERY_DAY };
  const slotRows = row ? await slotsOfPlan(db, row.id) : [];
  const firstDay = row?.firstDay ?? entries[0]?.fromDay ?? termAround(school.terms, today)?.startDay ?? today;
  const slots = row ? slotRows.map(slotOfRow) : slotsOfEntries(entries, firstDay, calendar);
  return {
    class: own,
    school,
    today,
    subjectId: row?.subjectId ?? subject?.id ?? subjects[0]?.id ?? "",
    firstDay,
    calendar,
    runById: row?.runById ?? null,
    pace: row?.pace ?? "own",
    slots,
    dates: datesOfSlots(slots, firstDay, calendar),
    row,
    slotRows,
    entries,
  };
}

/** A slot for each planned skill; where its day does not follow from those before, it is a day of its own. */
function slotsOfEntries(
  entries: ClassPlan["entries"],
  firstDay: SchoolDay,
  calendar: LessonCalendar,
): readonly ClassSlot[] {
  const slots = entries.map(
    ({ id, skillId, fromDay, targetDay }): ClassSlot =>
      newSlot({
        id,
        kind: "skills",
        skillIds: [skillId],
        lessons: Math.max(1, lessonsBetween(fromDay, targetDay, calendar)),
        fromDay,
      }),
  );
  const loose = slots.map((slot) => ({ ...slot, fromDay: null }));
  const followed = new Map(datesOfSlots(loose, firstDay, calendar).map(({ id, dates }) => [id, dates?.fromDay]));
  return slots.map((slot) => (followed.get(slot.id) === slot.fromDay ? { ...slot, fromDay: null } : slot));
}
