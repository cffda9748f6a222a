import "server-only";
import { object, string } from "yup";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { changed } from "@/db/queries/rowChanges";
import { assignmentById, type GivenWork, partsOfWorks, runsOfTargets, targetsWithSittings } from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import { demandWork } from "@/server/access/workAccess";
import { renewEnds } from "@/server/classroom/renewEnds";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";

const input = object({ assignmentId: string().required() });
const MINUTE = 60_000;

/** Holds a piece of work up for everybody: what is on the screens stays there, and no test is handed in by itself. */
export async function pauseWork(context: Context, raw: unknown): Promise<{ readonly changeId: string }> {
  return withWork(context, raw, async (tx, work) => {
    if (work.pausedAt !== null) throw new Refusal("conflict", "This work is paused already.");
    return recordChange(tx, context, {
      kind: "work-paused",
      facts: { title: work.title },
      classId: work.classId,
      rows: [changed("assignments", work, { pausedAt: context.runtime.now() })],
    });
  });
}

/** Lets it go on. Whoever has a time of their own gets the minutes of the pause. */
export async function resumeWork(context: Context, raw: unknown): Promise<{ readonly changeId: string }> {
  return withWork(context, raw, async (tx, work) => {
    const { pausedAt } = work;
    if (pausedAt === null) throw new Refusal("conflict", "This work is not paused.");
    const minutes = Math.ceil((context.runtime.now() - pausedAt) / MINUTE);
    const targets = (await targetsWithSittings(tx, [work.id])).map(({ target }) => target);
    const timed = new Set(
      (await partsOfWorks(tx, [work.workId]))
        .filter(({ kind, settings }) => conductorOf(kind).endsWithTime && settings.minutes !== undefined)
        .map(({ id }) => id),
    );
    const running = new Set(
      (
        await runsOfTargets(
          tx,
          targets.map(({ id }) => id),
        )
      )
        .filter(({ partId, finishedAt }) => timed.has(partId) && finishedAt === null)
        .map(({ targetId }) => targetId),
    );
    const changeId = await recordChange(tx, context, {
      kind: "work-resumed",
      facts: { title: work.title, minutes: running.size > 0 ? minutes : 0 },
      classId: work.classId,
      rows: [
        changed("assignments", work, { pausedAt: null }),
        ...targets
          .filter(({ id }) => running.has(id))
          .map((target) => changed("assignmentTargets", target, { extraMinutes: target.extraMinutes + minutes })),
      ],
    });
    await renewEnds(tx, work.id);
    return changeId;
  });
}

/** Ends it for everybody now: tests under way are handed in with what stands in them, other work is closed. */
export async function endNow(context: Context, raw: unknown): Promise<{ readonly changeId: string }> {
  return withWork(context, raw, async (tx, work) => {
    const now = context.runtime.now();
    if (work.opensAt > now) throw new Refusal("conflict", "This work has not opened yet. Withdraw it instead.");
    const changeId = await recordChange(tx, context, {
      kind: "work-ended",
      facts: { title: work.title },
      classId: work.classId,
      rows: [
        changed("assignments", work, {
          dueAt: Math.min(work.dueAt ?? now, now),
          closesAt: now,
          pausedAt: null,
        }),
      ],
    });
    await renewEnds(tx, work.id);
    return changeId;
  });
}

async function withWork(
  context: Context,
  raw: unknown,
  change: (tx: Queryable, work: GivenWork) => Promise<string>,
): Promise<{ readonly changeId: string }> {
  const { assignmentId } = validated(input, raw);
  return context.runtime.db.write(async (tx) => {
    const work = await assignmentById(tx, assignmentId);
    if (!work || work.withdrawnAt !== null) throw new Refusal("not-found", "This work is not there, or was withdrawn.");
    await demandWork(context, "change", work, tx);
    return { changeId: await change(tx, work) };
  });
}
