import "server-only";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { endOfTime } from "@/core/work/endOfTime";
import { windowFor } from "@/core/work/workWindow";
import { keepEnd } from "@/db/queries/sittings";
import { supportsOf } from "@/db/queries/students";
import { assignmentById, partsOfWorks, runsOfTargets, targetsWithSittings } from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";

/** Works out anew when tests that are under way are handed in by themselves, after the times of the work or of a student were changed. */
export async function renewEnds(tx: Queryable, assignmentId: string): Promise<void> {
  const work = await assignmentById(tx, assignmentId);
  if (!work) return;
  const targets = (await targetsWithSittings(tx, [assignmentId])).map(({ target }) => target);
  const [parts, runs, supports] = await Promise.all([
    partsOfWorks(tx, [work.workId]),
    runsOfTargets(
      tx,
      targets.map(({ id }) => id),
    ),
    supportsOf(
      tx,
      targets.map(({ personId }) => personId),
    ),
  ]);
  for (const run of runs) {
    const [part, target] = [parts.find(({ id }) => id === run.partId), targets.find(({ id }) => id === run.targetId)];
    if (!part || !target || run.finishedAt !== null || !conductorOf(part.kind).endsWithTime) continue;
    const endsAt = endOfTime(
      {
        settings: part.settings,
        timeFactor: supports.find(({ personId }) => personId === target.personId)?.timeFactor ?? 1,
        extraMinutes: target.extraMinutes,
      },
      { begun: run.startedAt, closesAt: windowFor(work, target).closesAt },
    );
    if (endsAt !== run.endsAt) await keepEnd(tx, run.id, endsAt);
  }
}
