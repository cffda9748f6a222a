import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import { LEAST_EVIDENCE } from "@/core/mastery/gaugeOf";
import { masteryToday } from "@/core/mastery/masteryToday";
import { LEVEL_CUTS } from "@/core/model/levels";
import { planStates } from "@/db/queries/figures";
import { planOf } from "@/db/queries/plan";
import { figure } from "@/server/classroom/figure";
import { libraryOf } from "@/server/library/library";
import { schoolOf } from "@/server/runtime/school";
import { LATE_DAYS, positionIn } from "./position";

const TABLES = ["plan_entries", "skill_states", "enrollments", "people", "schools", "terms", "holidays"];

/** Where the first of the classes stands in its plan. */
export const planFigure = figure(TABLES, async (runtime, { classIds, schoolId, today }) => {
  const [classId] = classIds;
  if (!classId) return { text: "no class", attention: false };
  const plan = (await planOf(runtime.db.read, classId)).filter(({ counted }) => counted);
  if (plan.length === 0) return { text: "no plan yet", attention: false };
  const [library, school, { states, students }] = await Promise.all([
    libraryOf(runtime),
    schoolOf(runtime, schoolId),
    planStates(
      runtime.db.read,
      classId,
      today,
      plan.map(({ skillId }) => skillId),
    ),
  ]);
  const day = dayNumber(today);
  const there = new Map<string, number>();
  for (const state of states)
    if (
      state.scoredAnswers >= LEAST_EVIDENCE &&
      ((state.masteredDay !== null && state.lostDay === null) || masteryToday(state, day) >= LEVEL_CUTS.secure)
    )
      there.set(state.skillId, (there.get(state.skillId) ?? 0) + 1);
  const planned = plan.map(({ skillId, targetDay }) => ({
    skillId,
    name: library.skillIfKnown(skillId)?.name ?? "",
    targetDay,
    shareSecure: students === 0 ? 0 : (there.get(skillId) ?? 0) / students,
  }));
  const { short, daysAhead } = positionIn(planned, today, school);
  return { text: short, attention: daysAhead < -LATE_DAYS };
});
