import "server-only";
import { TZDate } from "@date-fns/tz";
import { addDays, format, startOfDay } from "date-fns";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { reviewMemory } from "@/core/review/reviewMemory";
import { reviewTriesSince } from "@/db/queries/review";
import { libraryOf } from "@/server/library/library";
import { ownReviews } from "@/server/review/ownReviews";
import { kept } from "@/server/review/reviewOf";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { schoolOf } from "@/server/runtime/school";
import type { KeptView } from "../types";
import { triesOf, WEEKS_BACK } from "./loadReview";

/** A student's own picture of what is kept: what is fresh, what comes back when. */
export async function ownKept(context: Context): Promise<KeptView> {
  const { runtime, actor } = context;
  if (actor.kind !== "student") throw new Refusal("not-allowed", "This page is for students.");
  const db = runtime.db.read;
  const [library, school, own] = await Promise.all([
    libraryOf(runtime),
    schoolOf(runtime, actor.schoolId),
    ownReviews(db, runtime, actor),
  ]);
  if (own.length === 0) throw new Refusal("not-found", "Review is not on your list.");
  const since = addDays(startOfDay(new TZDate(runtime.now(), school.timeZone)), -WEEKS_BACK * 7).getTime();
  const reviews: KeptView["reviews"][number][] = [];
  for (const { class: home, subjectName, review, queue, run, today } of own) {
    const rows = await reviewTriesSince(db, home.id, [actor.personId], since);
    const tries = triesOf(rows, () => today);
    reviews.push({
      classId: home.id,
      subject: subjectName,
      minutes: Math.max(1, Math.round(queue.minutes)),
      today: run?.today ? (run.finished ? "done" : "begun") : queue.skillIds.length > 0 ? "due" : "nothing-due",
      met: tries.length,
      right: tries.filter(({ right }) => right).length,
      skills: kept(review)
        .map(({ skillId, memory, lastDay, enteredDay, place }) => ({
          name: library.skill(skillId).studentName,
          inDays: Math.ceil(
            lastDay + reviewMemory.daysUntil(memory.stabilityDays, review.settings.wantedRecall) - today,
          ),
          since: format(new Date(`${dayOfNumber(enteredDay)}T12:00:00`), "d MMMM"),
          resting: place === "resting",
        }))
        .sort((x, y) => x.inDays - y.inDays),
    });
  }
  return { reviews };
}
