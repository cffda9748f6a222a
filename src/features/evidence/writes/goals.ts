import "server-only";
import { array, type InferType, number, object, string } from "yup";
import { GOAL_LEVELS, GOAL_UNITS } from "@/core/model/goal";
import { goalById, goalsOfClasses } from "@/db/queries/goals";
import { classesById } from "@/db/queries/people";
import { added, changed } from "@/db/queries/rowChanges";
import { demandClasses } from "@/server/access/subjects";
import { recordChange } from "@/server/history/recordChange";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { todayOf } from "@/server/runtime/school";
import { day, uuid, validated } from "@/server/runtime/validated";

const MOST_TARGET = 5_000;
const MOST_SKILLS = 20;
const MOST_GOALS = 6;

const setInput = object({
  /** Made by the browser: sent twice, it is set once. */
  id: uuid(),
  classIds: array(string().required()).min(1, "Choose a class.").max(20).required(),
  aim: string().oneOf(["amount", "level"]).required(),
  unit: string().oneOf([...GOAL_UNITS]),
  target: number()
    .integer("A goal is a whole number.")
    .min(1, "A goal is 1 or more.")
    .max(MOST_TARGET, `A goal is at most ${MOST_TARGET}.`)
    .when("aim", ([aim], schema) => (aim === "amount" ? schema.required("Say how much.") : schema)),
  level: string().oneOf([...GOAL_LEVELS]),
  skillIds: array(string().required())
    .max(MOST_SKILLS, `A goal has at most ${MOST_SKILLS} skills.`)
    .when("aim", ([aim], schema) => (aim === "level" ? schema.min(1, "Choose a skill.").required() : schema)),
  untilDay: day(),
});

/** Sets a goal for some classes, from today on, each class its own. */
export async function setGoal(context: Context, raw: unknown): Promise<{ readonly changeId: string | null }> {
  const { id, classIds, untilDay, ...wish } = validated(setInput, raw);
  const goal = goalOf(wish);
  const { runtime, actor } = context;
  await demandClasses(context, "change", classIds);
  const library = await libraryOf(runtime);
  for (const skillId of goal.skillIds ?? []) library.skill(skillId);
  const today = await todayOf(runtime, actor.schoolId);
  if (untilDay <= today) throw new Refusal("invalid", "Choose a day after today.");
  return runtime.db.write(async (tx) => {
    await demandClasses(context, "change", classIds, tx);
    if (await goalById(tx, idOf(id, 0))) return { changeId: null };
    for (const classId of classIds)
      if ((await goalsOfClasses(tx, [classId], today)).length >= MOST_GOALS)
        throw new Refusal("conflict", `A class has at most ${MOST_GOALS} goals at once. Give one up first.`);
    const classes = await classesById(tx, classIds);
    const changeId = await recordChange(tx, context, {
      kind: "goal-set",
      facts: {
        classes: classes.map(({ name }) => name),
        aim: goal.aim,
        unit: goal.unit,
        target: goal.target,
        level: goal.level,
        skills: goal.skillIds?.length ?? 0,
        untilDay,
      },
      classId: classIds.length === 1 ? (classIds[0] ?? null) : null,
      subjectIds: classIds,
      rows: classIds.map((classId, place) =>
        added("classGoals", {
          id: idOf(id, place),
          classId,
          ...goal,
          fromDay: today,
          untilDay,
          archivedAt: null,
        }),
      ),
    });
    return { changeId };
  });
}

/** Only what its aim has. */
const goalOf = ({ aim, unit, target, level, skillIds }: Wish) =>
  aim === "level"
    ? { aim: "level" as const, unit: null, target: null, level: level ?? "secure", skillIds: skillIds ?? [] }
    : { aim: "amount" as const, unit: unit ?? "minutes", target: target ?? null, level: null, skillIds: null };
type Wish = Omit<InferType<typeof setInput>, "id" | "classIds" | "untilDay">;

/** The goals of several classes that are set at once have ids of their own. */
const idOf = (id: string, place: number): string => (place === 0 ? id : `${id}-${place}`);

const giveUpInput = object({ goalId: string().required() });

/** Gives a goal up; it can be taken back from the history. */
export async function giveUpGoal(context: Context, raw: unknown): Promise<{ readonly changeId: string | null }> {
  const { goalId } = validated(giveUpInput, raw);
  return context.runtime.db.write(async (tx) => {
    const goal = await goalById(tx, goalId);
    await demandClasses(context, "change", [goal?.classId ?? ""], tx);
    if (!goal) throw new Refusal("not-found", "This goal is not there any more.");
    if (goal.archivedAt !== null) return { changeId: null };
    const [own] = await classesById(tx, [goal.classId]);
    const changeId = await recordChange(tx, context, {
      kind: "goal-given-up",
      facts: { className: own?.name ?? "" },
      classId: goal.classId,
      rows: [changed("classGoals", goal, { archivedAt: context.runtime.now() })],
    });
    return { changeId };
  });
}
