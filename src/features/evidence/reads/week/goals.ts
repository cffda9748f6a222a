import "server-only";
import { format } from "date-fns";
import { addSchoolDays } from "@/core/calendar/addSchoolDays";
import { dayNumber } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { isSchoolDay } from "@/core/calendar/isSchoolDay";
import { groupBy } from "@/core/collections/groupBy";
import { LEAST_EVIDENCE } from "@/core/mastery/gaugeOf";
import { LEARNING } from "@/core/mastery/learningModel";
import { masteryToday } from "@/core/mastery/masteryToday";
import { projectGoal } from "@/core/work/projectGoal";
import { type AimedSkill, type ProjectedSkill, projectLevels } from "@/core/work/projectLevels";
import { type ClassGoalRow, goalsOfClasses, masteredSince, statesInSkills } from "@/db/queries/goals";
import { timeByDay } from "@/db/queries/summaries";
import { runsBetween } from "@/db/queries/weeks";
import { loadClassroom } from "@/server/classroom/classroom";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { dayAt, instantAt } from "@/server/runtime/school";
import type { AmountGoal, GoalsView, GoalView, LevelGoal } from "../../goalTypes";
import type { FrameStudent, ReportFrame } from "../frame";

/** A goal that is over stays in sight for a week. */
const DAYS_AFTER = 7;
const USUAL_SCHOOL_DAYS = 15;
const MINUTE = 60_000;

/** The goals of the classes that are still on their way, or were until a week ago. */
export async function goalsOfWeek(context: Context, frame: ReportFrame): Promise<GoalsView> {
  const { runtime } = context;
  const today = dayNumber(frame.today);
  const [goals, classroom] = await Promise.all([
    goalsOfClasses(runtime.db.read, frame.classIds, dayOfNumber(today - DAYS_AFTER)),
    loadClassroom(runtime, frame.school.id, frame.classIds),
  ]);
  const planned = new Set(classroom.plan.map(({ skillId }) => skillId));
  const named = ({ id, name }: { readonly id: string; readonly name: string }) => ({ id, name });
  return {
    goals: await Promise.all(goals.map((goal) => goalView(context, frame, goal))),
    skills: [
      ...classroom.skills.filter(({ id }) => planned.has(id)),
      ...classroom.skills.filter(({ id }) => !planned.has(id)),
    ].map(named),
    manyClasses: frame.classIds.length > 1,
    usualDay: addSchoolDays(frame.today, USUAL_SCHOOL_DAYS, frame.school.calendar),
  };
}

async function goalView(context: Context, frame: ReportFrame, goal: ClassGoalRow): Promise<GoalView> {
  const students = frame.students.filter(({ left, classId }) => !left && classId === goal.classId);
  const [today, until] = [dayNumber(frame.today), dayNumber(goal.untilDay)];
  const shared = {
    id: goal.id,
    className: frame.classes.find(({ id }) => id === goal.classId)?.name ?? "",
    until: format(new Date(`${goal.untilDay}T12:00:00`), "EEE d MMM"),
    daysLeft: schoolDaysIn(frame, today, until),
  };
  return goal.aim === "amount"
    ? { ...shared, ...(await amountOf(context, frame, goal, students)) }
    : { ...shared, ...(await levelOf(context, frame, goal, { students, daysLeft: shared.daysLeft })) };
}

const schoolDaysIn = ({ school }: ReportFrame, from: number, to: number): number => {
  let days = 0;
  for (let day = from; day <= to; day++) if (isSchoolDay(day, school.calendar)) days++;
  return days;
};

/** What each school day brought each student: what was done at a weekend is of the school day before. */
async function amountOf(
  { runtime }: Context,
  frame: ReportFrame,
  goal: ClassGoalRow,
  students: readonly FrameStudent[],
): Promise<AmountGoal> {
  const unit = goal.unit ?? "minutes";
  const [from, until, today] = [dayNumber(goal.fromDay), dayNumber(goal.untilDay), dayNumber(frame.today)];
  const ids = students.map(({ id }) => id);
  const brought = groupBy(await broughtIn(runtime, frame, { unit, ids, from }), ({ personId }) => personId);
  return {
    aim: "amount",
    unit,
    target: goal.target ?? 1,
    students: students.map(({ id, name, days }) => {
      // Whoever came later has fewer days behind them, and no fewer to come.
      const first = Math.max(from, days[0]?.from ?? from);
      const own = (brought.get(id) ?? []).filter(({ day }) => first <= day && day <= until);
      const past: number[] = [];
      for (let day = first; day <= Math.min(today, until); day++) {
        const value = own.filter((one) => one.day === day).reduce((sum, one) => sum + one.amount, 0);
        // Today is a day past once something was done in it.
        if (isSchoolDay(day, frame.school.calendar) && (day < today || value > 0)) past.push(value);
        else if (value > 0) past.push((past.pop() ?? 0) + value);
      }
      const schoolDays = Math.max(past.length, schoolDaysIn(frame, first, until));
      const projection = projectGoal(
        { unit, target: goal.target ?? 1, schoolDays, daysPast: past.length },
        unit === "minutes" ? past.map((value) => Math.round(value)) : past,
      );
      return { id, name, projection };
    }),
  };
}

async function broughtIn(
  runtime: Context["runtime"],
  { school }: ReportFrame,
  asked: { readonly unit: AmountGoal["unit"]; readonly ids: readonly string[]; readonly from: number },
): Promise<{ personId: string; day: number; amount: number }[]> {
  const { unit, ids, from } = asked;
  const db = runtime.db.read;
  if (unit === "minutes")
    return (await timeByDay(db, ids, from)).map(({ personId, day, milliseconds }) => ({
      personId,
      day,
      amount: milliseconds / MINUTE,
    }));
  if (unit === "skills")
    return (await masteredSince(db, ids, from)).map(({ personId, day }) => ({ personId, day: day ?? 0, amount: 1 }));
  const runs = await runsBetween(db, ids, {
    from: instantAt(school, dayOfNumber(from), "00:00"),
    until: Number.MAX_SAFE_INTEGER,
  });
  return runs.flatMap(({ personId, finishedAt, itemsDone }) =>
    finishedAt === null || itemsDone === 0 ? [] : [{ personId, day: dayNumber(dayAt(school, finishedAt)), amount: 1 }],
  );
}

/** How each skill of the goal is likely to stand with each student on its last day. */
async function levelOf(
  { runtime }: Context,
  frame: ReportFrame,
  goal: ClassGoalRow,
  { students, daysLeft }: { readonly students: readonly FrameStudent[]; readonly daysLeft: number },
): Promise<LevelGoal> {
  const db = runtime.db.read;
  const skillIds = goal.skillIds ?? [];
  const level = goal.level ?? "secure";
  const [from, today] = [dayNumber(goal.fromDay), dayNumber(frame.today)];
  const ids = students.map(({ id }) => id);
  const [states, library, classroom] = await Promise.all([
    statesInSkills(db, ids, skillIds),
    libraryOf(runtime),
    loadClassroom(runtime, frame.school.id, frame.classIds),
  ]);
  const gauges = new Map(classroom.students.map((student) => [student.id, student.gauges]));
  const known = groupBy(states, ({ personId }) => personId);
  const answered = await answersADay(db, frame, { ids, from });
  const projected = new Map<string, readonly ProjectedSkill[]>(
    students.map(({ id }) => {
      const aimed = skillIds.map((skillId): AimedSkill => {
        const state = known.get(id)?.find((one) => one.skillId === skillId);
        return state
          ? {
              skillId,
              mastery: masteryToday(state, today),
              learning: state.learning,
              isKnown: state.scoredAnswers >= LEAST_EVIDENCE,
            }
          : {
              skillId,
              mastery: gauges.get(id)?.get(skillId)?.chance ?? 0,
              learning: LEARNING.shareLearning,
              isKnown: false,
            };
      });
      return [id, projectLevels(aimed, { level, answersADay: answered.get(id) ?? 0, daysLeft })];
    }),
  );
  return {
    aim: "level",
    level,
    skills: skillIds.flatMap((skillId, place) => {
      const skill = library.skillIfKnown(skillId);
      if (!skill) return [];
      const own = students.flatMap(({ id, name }) => {
        const found = projected.get(id)?.[place];
        return found ? [{ id, name, now: found.now, later: found.later, course: found.course }] : [];
      });
      return [{ id: skillId, name: skill.name, students: own }];
    }),
  };
}

/** First answers a school day since a day, or in the four weeks before where it has only begun. */
async function answersADay(
  db: Context["runtime"]["db"]["read"],
  frame: ReportFrame,
  { ids, from }: { readonly ids: readonly string[]; readonly from: number },
): Promise<ReadonlyMap<string, number>> {
  const today = dayNumber(frame.today);
  const first = Math.min(from, today - LOOK_BACK_DAYS);
  const days = Math.max(1, schoolDaysIn(frame, first, today - 1));
  const counted = groupBy(await timeByDay(db, ids, first), ({ personId }) => personId);
  return new Map(ids.map((id) => [id, (counted.get(id) ?? []).reduce((sum, { answers }) => sum + answers, 0) / days]));
}

const LOOK_BACK_DAYS = 28;
