import "server-only";
import { object, string } from "yup";
import { endRun, reviewSettingsOf, reviewWorkOf } from "@/db/queries/review";
import { added, applyRowChanges } from "@/db/queries/rowChanges";
import { targetOf } from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import { newTarget, workRows } from "@/server/classroom/workRows";
import { type OwnReview, ownReviews, type ReviewedClass, reviewedClasses } from "@/server/review/ownReviews";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";
import { enter } from "../reads/entered";
import { begin } from "./begin";
import { demandItsTurn } from "./demandOpen";

/** What any run may have at most; the day's minutes end it before. */
const MOST_ITEMS = 60;
const TITLE = "Review";

/**
 * Begins the asking student's review of today in one of their classes, or goes on with it. Asked twice, it is begun once. A run of an earlier day that
 * was left open ends: what it had not asked is in today's queue.
 */
export async function takeReview(context: Context, raw: unknown): Promise<{ assignmentId: string }> {
  const { runtime, actor } = context;
  if (actor.kind !== "student")
    throw new Refusal("not-allowed", "Only students review. To see how it goes, open the review of the class.");
  const { classId } = validated(object({ classId: string().required() }), raw);
  const isIt = (one: ReviewedClass) => one.class.id === classId;
  // What is to be asked is worked out before anything is held up: a class begins in the same minute.
  const own = demanded((await ownReviews(runtime.db.read, runtime, actor)).find(isIt));
  if (own.run?.today) return { assignmentId: own.run.assignmentId };
  if (own.queue.skillIds.length === 0)
    throw new Refusal("closed", "Nothing has to be refreshed today. It comes back when it is time.");
  return runtime.db.write(async (tx) => {
    // Begun meanwhile in another window, it is gone on with; switched off meanwhile, it is not there.
    const { run } = demanded((await reviewedClasses(tx, runtime, actor)).find(isIt));
    if (run?.today) return { assignmentId: run.assignmentId };
    const assignmentId = await givenTo(tx, context, classId);
    const entered = await enter(tx, context, assignmentId);
    await demandItsTurn(tx, context, entered.work);
    if (run && !run.finished) await endRun(tx, run.sittingId, { finishedAt: runtime.now(), finishReason: "time-up" });
    const [piece] = entered.parts;
    if (!piece) throw new Refusal("not-found", "There is nothing in this work yet.");
    await begin(tx, context, entered, {
      partId: piece.part.id,
      attempt: (piece.run?.attempt ?? 0) + 1,
      state: stateOf(own),
    });
    return { assignmentId };
  });
}

function demanded<One>(reviewed: One | undefined): One {
  if (!reviewed) throw new Refusal("not-found", "Review is not on your list.");
  return reviewed;
}

const stateOf = ({ queue: { skillIds }, under, review }: OwnReview) => ({
  asked: skillIds,
  skillIds: [...new Set([...skillIds, ...skillIds.flatMap(under)])],
  minutes: review.settings.minutesADay,
});

/** The assignment by which a class's review is given, with the asking student among those who have it; made at the first one who comes to it. */
async function givenTo(tx: Queryable, context: Context, classId: string): Promise<string> {
  const { runtime, actor } = context;
  const known = await reviewWorkOf(tx, classId);
  const assignmentId = known ?? runtime.newId();
  if (known === null) {
    const rows = await reviewSettingsOf(tx, [classId]);
    const giver = (rows.find(({ personId }) => personId === null) ?? rows[0])?.setBy ?? actor.personId;
    await applyRowChanges(
      tx,
      workRows(
        { runtime, actor: { personId: giver, schoolId: actor.schoolId } },
        {
          title: TITLE,
          instructions: "",
          parts: [{ kind: "review", settings: { items: MOST_ITEMS }, skillIds: [] }],
        },
        [{ id: assignmentId, classId, opensAt: runtime.now(), dueAt: null, isReview: true, studentIds: [] }],
      ),
    );
  }
  if (!(await targetOf(tx, assignmentId, actor.personId)))
    await applyRowChanges(tx, [added("assignmentTargets", newTarget(runtime, assignmentId, actor.personId))]);
  return assignmentId;
}
