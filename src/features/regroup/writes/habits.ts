import "server-only";
import { array, mixed, number, object, string } from "yup";
import { SLOT } from "@/core/grouping/slotClashes";
import type { GroupHabits } from "@/core/model/reteach";
import { classesById } from "@/db/queries/people";
import { habitsOfClasses } from "@/db/queries/reteaches";
import { added, changed } from "@/db/queries/rowChanges";
import { demandClasses } from "@/server/access/subjects";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";
import { USUAL_HABITS } from "../limits";

const MOST_TIMES = 8;
const MOST_PAIRS = 40;
const MOST_SIZE = 12;

const pairs = (what: string) =>
  array(
    mixed<[string, string]>(
      (value): value is [string, string] =>
        Array.isArray(value) &&
        value.length === 2 &&
        value.every((id) => typeof id === "string") &&
        value[0] !== value[1],
    ).required("A pair is two different students."),
  ).max(MOST_PAIRS, `At most ${MOST_PAIRS} pairs are kept ${what}.`);

const size = (words: string) =>
  number().integer(words).min(1, words).max(MOST_SIZE, `A group has at most ${MOST_SIZE} students.`);

const input = object({
  classIds: array(string().required()).min(1, "Choose a class.").max(20).required(),
  times: array(
    object({
      slot: string().matches(SLOT, "Choose lessons from Monday to Friday.").required(),
      minutes: number()
        .integer()
        .min(5, "A time has at least 5 minutes.")
        .max(90, "A time has at most 90 minutes.")
        .required(),
    }),
  )
    .min(1, "Leave at least one time a week for small groups.")
    .max(MOST_TIMES, `A class has at most ${MOST_TIMES} times a week for small groups.`)
    .test(
      "once",
      "This lesson is among the times already.",
      (times) => new Set(times?.map(({ slot }) => slot)).size === (times?.length ?? 0),
    )
    .default(undefined),
  smallest: size("A group has one student or more."),
  largest: size("A group has one student or more."),
  apart: pairs("apart").default(undefined),
  together: pairs("together").default(undefined),
});

/** Keeps when some classes have time for small groups, how large they are, or who is kept apart or together; what is not said stays as it was. */
export async function keepHabits(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { classIds, ...said } = validated(input, raw);
  const news = Object.fromEntries(
    Object.entries(said).filter(([, value]) => value !== undefined),
  ) as Partial<GroupHabits>;
  return context.runtime.db.write(async (tx) => {
    await demandClasses(context, "change", classIds, tx);
    const rows = await habitsOfClasses(tx, classIds);
    const classes = await classesById(tx, classIds);
    const changeId = await recordChange(tx, context, {
      kind: "group-habits-changed",
      facts: { className: classes.map(({ name }) => name).join(", ") },
      classId: classIds.length === 1 ? (classIds[0] ?? null) : null,
      subjectIds: classIds,
      rows: classIds.map((classId) => {
        const found = rows.find((row) => row.classId === classId);
        const habits: GroupHabits = { ...(found?.habits ?? USUAL_HABITS), ...news };
        if (habits.largest < habits.smallest)
          throw new Refusal("invalid", "The largest group can't be smaller than the smallest.");
        return found
          ? changed("groupHabits", found, { habits })
          : added("groupHabits", { id: context.runtime.newId(), classId, habits });
      }),
    });
    return { changeId };
  });
}
