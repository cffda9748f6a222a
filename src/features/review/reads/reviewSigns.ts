import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { schoolDaysBetween } from "@/core/calendar/schoolDaysBetween";
import { median } from "@/core/numeric/median";
import { dueSkills } from "@/core/review/dueSkills";
import { reviewMemory } from "@/core/review/reviewMemory";
import { REVIEW_DAYS_A_WEEK } from "@/core/review/usualReview";
import { latestReviews, reviewSettingsOf } from "@/db/queries/review";
import { demandClasses } from "@/server/access/subjects";
import { asked } from "@/server/review/reviewOf";
import type { Context } from "@/server/runtime/context";
import { dayAt } from "@/server/runtime/school";
import type { ReviewSigns } from "../types";
import { loadReview, reviewing } from "./loadReview";
import { minutesOf } from "./reviewFigures";
import { proposalLines, skillLines } from "./skillLines";

/** School days without review, while something is due, after which somebody is missed. */
const MISSED_AFTER = 5;

/** What in the reviews of some classes wants the teacher, class by class. */
export async function reviewSigns(context: Context, classIds: readonly string[]): Promise<ReviewSigns[]> {
  await demandClasses(context, "see", classIds);
  const db = context.runtime.db.read;
  // Also where it is switched on for one student only.
  const on = new Set((await reviewSettingsOf(db, classIds)).flatMap((row) => (row.on ? [row.classId] : [])));
  const found: ReviewSigns[] = [];
  for (const classId of classIds.filter((id) => on.has(id))) found.push(await signsOf(context, classId));
  return found;
}

async function signsOf(context: Context, classId: string): Promise<ReviewSigns> {
  const loaded = await loadReview(context, classId);
  const { home, classroom, review, day } = loaded;
  const { school, today } = classroom;
  const own = reviewing(review);
  const runs = await latestReviews(
    context.runtime.db.read,
    [classId],
    own.map(([id]) => id),
  );
  const nameOf = new Map(classroom.students.map(({ id, shortName }) => [id, shortName]));
  const named = (id: string) => ({ id, name: nameOf.get(id) ?? "" });
  const minutes = own.map(([id, one]) => ({ id, ...minutesOf(one) }));
  const short = minutes.filter(({ share }) => share !== null && share < 1);
  const lines = skillLines(loaded);
  return {
    classId,
    className: home.name,
    students: own.length,
    short: short.map(({ id }) => named(id)),
    moreMinutes:
      short.length === 0 ? 0 : Math.ceil(median(short.map(({ needed, given }) => needed - given)) / REVIEW_DAYS_A_WEEK),
    missed: own.flatMap(([id, one]) => {
      const due = dueSkills(asked(one), day, one.settings.wantedRecall);
      const last = runs.find(({ personId }) => personId === id)?.startedAt;
      if (due.length === 0) return [];
      // Nobody could come before something was due.
      const dueSince = Math.min(
        ...due.map(({ lastDay, memory }) =>
          Math.ceil(lastDay + reviewMemory.daysUntil(memory.stabilityDays, one.settings.wantedRecall)),
        ),
      );
      const since = dayOfNumber(Math.max(dueSince, last == null ? 0 : dayNumber(dayAt(school, last))));
      return schoolDaysBetween(since, today, school.calendar) > MISSED_AFTER ? [named(id)] : [];
    }),
    tooHard: proposalLines(loaded, lines).flatMap(({ skillId, name, what, lacking }) => {
      const line = lines.find((one) => one.skillId === skillId);
      return what === "reteach" && line ? [{ skillId, name, right: line.right, tries: line.tries, lacking }] : [];
    }),
  };
}
