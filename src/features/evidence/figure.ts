import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import { classScope } from "@/core/roster/classScope";
import { answersSince } from "@/db/queries/figures";
import { classesById } from "@/db/queries/people";
import { figure } from "@/server/classroom/figure";
import { libraryOf } from "@/server/library/library";

const DAYS = 7;
const TABLES = ["skill_days", "enrollments", "people", "classes"];

/** How much is new this week in what the classes are taught: the same students may have other classes too. */
export const evidenceFigure = figure(TABLES, async (runtime, { classIds, schoolId, today }) => {
  const [library, classes] = await Promise.all([libraryOf(runtime), classesById(runtime.db.read, classIds)]);
  const subjects = library.subjectsAt(schoolId);
  const words = classes.map(({ subject }) => subject);
  const scope = words.length === 0 ? subjects : classScope(words, subjects);
  const ids = scope.map(({ id }) => id);
  const answers = await answersSince(runtime.db.read, classIds, today, dayNumber(today) - DAYS + 1, ids);
  return {
    text: answers === 0 ? "no answers for a week" : `${answers.toLocaleString("en-GB")} answers in ${DAYS} days`,
    attention: false,
  };
});
