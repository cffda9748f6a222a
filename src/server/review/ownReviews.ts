import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import { type ReviewQueue, reviewQueue } from "@/core/review/reviewQueue";
import { classScope } from "@/core/roster/classScope";
import { classesOfStudent } from "@/db/queries/people";
import { latestReviews, reviewSettingsOf } from "@/db/queries/review";
import type { Queryable } from "@/db/queryable";
import { libraryOf } from "@/server/library/library";
import type { Runtime } from "@/server/runtime/runtime";
import { dayAt, schoolOf } from "@/server/runtime/school";
import { asked, reviewOf, type StudentReview } from "./reviewOf";

/** A class in which a student reviews. */
export interface ReviewedClass {
  readonly class: { readonly id: string; readonly schoolId: string; readonly subject: string };
  /** The student's latest run of it, and whether that was begun today; null before the first. */
  readonly run: {
    readonly sittingId: string;
    readonly assignmentId: string;
    readonly finished: boolean;
    readonly today: boolean;
    readonly milliseconds: number;
  } | null;
  readonly today: number;
}

/** A student's review in one of their classes, as it stands today. */
export interface OwnReview extends ReviewedClass {
  /** The name of what it is taught; empty where the class has no subject of its own. */
  readonly subjectName: string;
  readonly review: StudentReview;
  readonly queue: ReviewQueue;
  /** What may lie under a skill of the queue; empty for skills with nothing beneath. */
  readonly under: (skillId: string) => readonly string[];
}

/** The classes in which review is switched on for a student, in their order; nothing is worked out. */
export async function reviewedClasses(
  db: Queryable,
  runtime: Runtime,
  { personId, schoolId }: { readonly personId: string; readonly schoolId: string },
): Promise<ReviewedClass[]> {
  const school = await schoolOf(runtime, schoolId);
  const day = dayAt(school, runtime.now());
  const today = dayNumber(day);
  const classes = await classesOfStudent(db, personId, day);
  const ids = classes.map(({ id }) => id);
  const settings = await reviewSettingsOf(db, ids);
  const isOn = (classId: string) =>
    (
      settings.find((row) => row.classId === classId && row.personId === personId) ??
      settings.find((row) => row.classId === classId && row.personId === null)
    )?.on ?? false;
  const on = classes.filter(({ id }) => isOn(id));
  if (on.length === 0) return [];
  const runs = await latestReviews(
    db,
    on.map(({ id }) => id),
    [personId],
  );
  return on.map(({ id, subject }) => {
    const run = runs.find(({ classId }) => classId === id);
    return {
      class: { id, schoolId, subject },
      today,
      run: run
        ? {
            sittingId: run.sittingId,
            assignmentId: run.assignmentId,
            finished: run.finishedAt !== null,
            today: dayNumber(dayAt(school, run.startedAt ?? 0)) === today,
            milliseconds: run.activeMilliseconds,
          }
        : null,
    };
  });
}

/** The reviews of a student that are switched on, in the order of their classes. */
export async function ownReviews(
  db: Queryable,
  runtime: Runtime,
  actor: { readonly personId: string; readonly schoolId: string },
): Promise<OwnReview[]> {
  const { subjects } = await libraryOf(runtime);
  const found: OwnReview[] = [];
  for (const reviewed of await reviewedClasses(db, runtime, actor)) {
    const { students, scope } = await reviewOf(db, runtime, reviewed.class, [actor.personId]);
    const review = students.get(actor.personId);
    if (!review) continue;
    const taught = classScope([reviewed.class.subject], subjects);
    const { minutesADay: minutes, wantedRecall: wanted } = review.settings;
    found.push({
      ...reviewed,
      subjectName: taught.length === 1 ? (taught[0]?.name ?? "") : "",
      review,
      queue: reviewQueue(asked(review), { day: reviewed.today, minutes, wanted }),
      under: (skillId) => {
        const { prerequisites = [] } = scope.find((skill) => skill.id === skillId) ?? {};
        return prerequisites.filter((under) => scope.some((skill) => skill.id === under));
      },
    });
  }
  return found;
}
