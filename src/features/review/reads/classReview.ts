import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { reviewQueue } from "@/core/review/reviewQueue";
import { shareRemembered } from "@/core/review/shareRemembered";
import { latestReviews } from "@/db/queries/review";
import { asked, differs, remembering } from "@/server/review/reviewOf";
import type { Context } from "@/server/runtime/context";
import { dayAt } from "@/server/runtime/school";
import type { ClassReviewView, ReviewStudentLine } from "../types";
import { type LoadedReview, loadReview, reviewing, WEEKS_BACK } from "./loadReview";
import { minutesOf, reviewFigures, timeLines } from "./reviewFigures";
import { proposalLines, skillLines } from "./skillLines";

/** Whether a class keeps what it learned: figures, skills, proposals, students. */
export async function classReview(context: Context, classId: string): Promise<ClassReviewView> {
  const loaded = await loadReview(context, classId);
  const { home, classroom, review, tries, day, since } = loaded;
  const skills = skillLines(loaded);
  const listed = new Set(skills.map(({ skillId }) => skillId));
  const ids = classroom.students.map(({ id }) => id);
  return {
    classId,
    className: home.name,
    on: review.on,
    settings: review.settings,
    figures: reviewFigures(reviewing(review), tries, day),
    times: await timeLines(context.runtime.db.read, ids, since, dayOfNumber(day - WEEKS_BACK * 7)),
    skills,
    proposals: proposalLines(loaded, skills),
    students: await studentLines(context, loaded),
    outside: outsideOf(loaded, listed),
    weeksBack: WEEKS_BACK,
  };
}

/** Skills of the class's subject that could be taken in. */
export const outsideOf = ({ review }: LoadedReview, listed: ReadonlySet<string>): ClassReviewView["outside"] =>
  review.scope.filter(({ id }) => !listed.has(id)).map(({ id, name, strand }) => ({ skillId: id, name, strand }));

async function studentLines(context: Context, loaded: LoadedReview): Promise<ReviewStudentLine[]> {
  const { home, classroom, review, tries, day } = loaded;
  const { school, today } = classroom;
  const runs = await latestReviews(
    context.runtime.db.read,
    [home.id],
    classroom.students.map(({ id }) => id),
  );
  return classroom.students.flatMap(({ id, fullName }): ReviewStudentLine[] => {
    const own = review.students.get(id);
    if (!own) return [];
    const queue = reviewQueue(asked(own), {
      day,
      minutes: own.settings.minutesADay,
      wanted: own.settings.wantedRecall,
    });
    const run = runs.find(({ personId }) => personId === id);
    const lastDay = run?.startedAt == null ? null : dayAt(school, run.startedAt);
    const tried = tries.filter(({ personId }) => personId === id);
    const share = shareRemembered(remembering(own), day);
    return [
      {
        studentId: id,
        name: fullName,
        on: own.on,
        differs: differs(own, review),
        skills: asked(own).length,
        remembered: "share" in share ? share.share : null,
        ...minutesOf(own),
        due: queue.due + queue.leftOver.length,
        leftOver: queue.leftOver.length,
        accuracy: { right: tried.filter(({ right }) => right).length, of: tried.length },
        today:
          run && lastDay !== null && dayNumber(lastDay) === dayNumber(today)
            ? run.finishedAt !== null
              ? "done"
              : "begun"
            : queue.skillIds.length === 0
              ? "nothing-due"
              : "not-yet",
        lastDay,
      },
    ];
  });
}
