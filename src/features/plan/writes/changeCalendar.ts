import "server-only";
import { array, object, string } from "yup";
import { dayNumber, type SchoolDay } from "@/core/calendar/dayNumber";
import { weekdaysIn } from "@/core/calendar/holidayRanges";
import { classesOfSchools } from "@/db/queries/people";
import { added } from "@/db/queries/rowChanges";
import { holidayRow, holidaysAt } from "@/db/queries/school";
import type { Queryable } from "@/db/queryable";
import type { RowChange } from "@/db/schema/history";
import { demand, demandStaff } from "@/server/access/demand";
import { recordChange } from "@/server/history/recordChange";
import { classPlanOf } from "@/server/plan/classPlan";
import { rowsOfPlan } from "@/server/plan/rowsOfPlan";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { day, isRecord, validated } from "@/server/runtime/validated";

const MOST_RANGES = 200;
/** Days off that one change may add: a school year has some two hundred school days. */
const MOST_DAYS = 150;

const changeInput = object({
  add: array(
    object({
      from: day(),
      to: day(),
      name: string()
        .trim()
        .min(1, "Give the days a name.")
        .max(80, "A name has at most 80 letters.")
        .required("Give the days a name."),
    })
      .noUnknown()
      .required("Say which days.")
      .test("record", "Say which days.", isRecord),
  )
    .max(MOST_RANGES)
    .default([]),
  /** Days that are taught again. */
  remove: array(day())
    .max(MOST_RANGES * 5)
    .default([]),
});

/**
 * Changes the days on which nothing is taught, for whoever looks after the school; the dates of every class's plan move with them, in the same entry
 * of the history. A day that was off already keeps its name.
 */
export async function changeCalendar(
  context: Context,
  raw: unknown,
): Promise<{ changeId: string | null; added: number; already: number; classes: number }> {
  const { schoolId } = demandStaff(context.actor);
  demand(context.actor, "manage", { kind: "school", schoolId });
  const { add, remove } = validated(changeInput, raw);
  for (const { from, to } of add)
    if (to < from) throw new Refusal("invalid", "The last day lies before the first. Turn them round.");
  return context.runtime.db.write(async (tx) => {
    const known = new Map((await holidaysAt(tx, schoolId)).map((row) => [row.day, row]));
    const wanted = new Map<SchoolDay, string>();
    for (const range of add) for (const one of weekdaysIn(range)) if (!wanted.has(one)) wanted.set(one, range.name);
    const fresh = [...wanted].filter(([one]) => !known.has(one));
    const gone = [...new Set(remove)].flatMap((one) => known.get(one) ?? []);
    if (add.length > 0 && wanted.size === 0)
      throw new Refusal("invalid", "These days are a weekend: nothing is taught on them anyway.");
    if (fresh.length > MOST_DAYS)
      throw new Refusal(
        "invalid",
        `These are ${fresh.length} school days at once; a change adds at most ${MOST_DAYS}. Look at the dates.`,
      );
    const already = wanted.size - fresh.length;
    if (fresh.length === 0 && gone.length === 0) return { changeId: null, added: 0, already, classes: 0 };
    const off = new Set([...known.keys(), ...fresh.map(([one]) => one)]);
    for (const { day: one } of gone) off.delete(one);
    const rows: RowChange[] = [
      ...fresh.map(([one, name]) => added("holidays", holidayRow({ schoolId, day: one, name }))),
      ...gone.map((row): RowChange => ({ table: "holidays", id: row.id, before: { ...row }, after: null })),
    ];
    const moved = await movedPlans(tx, context, schoolId, new Set([...off].map(dayNumber)));
    const facts = { added: fresh.length, removed: gone.length, classes: moved.classes };
    const changeId = await recordChange(tx, context, {
      kind: "calendar-changed",
      facts,
      classId: null,
      rows: [...rows, ...moved.rows],
    });
    return { changeId, added: fresh.length, already, classes: moved.classes };
  });
}

async function movedPlans(tx: Queryable, { runtime }: Context, schoolId: string, holidays: ReadonlySet<number>) {
  const rows: RowChange[] = [];
  let classes = 0;
  for (const { id } of await classesOfSchools(tx, [schoolId], false)) {
    const plan = await classPlanOf(tx, runtime, id);
    if (plan.slots.length === 0) continue;
    const own = rowsOfPlan(runtime, plan, { ...plan, calendar: { ...plan.calendar, holidays } });
    // A plan that was never worked on is written down only where its dates move.
    if (!own.some(({ table }) => table === "planEntries")) continue;
    rows.push(...own);
    classes++;
  }
  return { rows, classes };
}
