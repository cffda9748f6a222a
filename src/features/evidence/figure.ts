import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import { answersSince } from "@/db/queries/figures";
import { figure } from "@/server/classroom/figure";

const DAYS = 7;

/** How much is new this week. */
export const evidenceFigure = figure(["skill_days", "enrollments", "people"], async ({ db }, { classIds, today }) => {
  const answers = await answersSince(db.read, classIds, today, dayNumber(today) - DAYS + 1);
  return {
    text: answers === 0 ? "no answers for a week" : `${answers.toLocaleString("en-GB")} answers in ${DAYS} days`,
    attention: false,
  };
});
