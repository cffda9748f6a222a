import "server-only";
import { TZDate } from "@date-fns/tz";
import { addDays, startOfDay } from "date-fns";
import { dayNumber } from "@/core/calendar/dayNumber";
import { groupBy } from "@/core/collections/groupBy";
import { classesById } from "@/db/queries/people";
import { reviewTriesSince } from "@/db/queries/review";
import { demandClasses } from "@/server/access/subjects";
import { loadClassroom } from "@/server/classroom/classroom";
import { type ClassReview, reviewOf } from "@/server/review/reviewOf";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt } from "@/server/runtime/school";

/** So far back do tries, times and shares go. */
export const WEEKS_BACK = 6;
const DAYS_PER_WEEK = 7;

/** A first try at something that review brought back. */
export interface ReviewTry {
  readonly personId: string;
  readonly skillId: string;
  readonly day: number;
  readonly right: boolean;
}

/** What every view of a class's review stands on. */
export async function loadReview(context: Context, classId: string) {
  await demandClasses(context, "see", [classId]);
  const { runtime, actor } = context;
  const db = runtime.db.read;
  const [home] = await classesById(db, [classId]);
  if (!home) throw new Refusal("not-found", "This class is not there any more.");
  const classroom = await loadClassroom(runtime, actor.schoolId, [classId]);
  const ids = classroom.students.map(({ id }) => id);
  const { school } = classroom;
  const since = addDays(startOfDay(new TZDate(runtime.now(), school.timeZone)), -WEEKS_BACK * DAYS_PER_WEEK).getTime();
  const [review, rows] = await Promise.all([
    reviewOf(db, runtime, home, ids),
    reviewTriesSince(db, classId, ids, since),
  ]);
  return {
    home,
    classroom,
    review,
    since,
    day: dayNumber(classroom.today),
    tries: triesOf(rows, (at) => dayNumber(dayAt(school, at))),
  };
}

export type LoadedReview = Awaited<ReturnType<typeof loadReview>>;

/** The first try of each run at each skill that was to come back; what lay underneath, and what was asked once more, is left out. */
export function triesOf(
  rows: Awaited<ReturnType<typeof reviewTriesSince>>,
  dayOf: (at: number) => number,
): ReviewTry[] {
  return [...groupBy(rows, ({ sittingId, skillId }) => `${sittingId} ${skillId}`).values()].flatMap(([first]) =>
    first?.state.asked?.includes(first.skillId)
      ? [
          {
            personId: first.personId,
            skillId: first.skillId,
            day: dayOf(first.startedAt),
            right: first.earned === first.possible,
          },
        ]
      : [],
  );
}

/** Those who review, with their review. */
export const reviewing = ({ students }: ClassReview) => [...students].filter(([, { on }]) => on);
