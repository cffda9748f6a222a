import "server-only";
import type { Released } from "@/core/model/work";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { isReleased } from "@/core/work/isReleased";
import { windowFor, windowStanding } from "@/core/work/workWindow";
import type { SittingRow } from "@/db/queries/sittings";
import { type GivenWork, type PartRow, releasesOf, type TargetRow } from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import type { Context } from "@/server/runtime/context";
import type { Run } from "./run";

/** What a teacher released of some assignments, by the assignment. */
export async function releasedWords(db: Queryable, ids: readonly string[]): Promise<ReadonlyMap<string, Released[]>> {
  const rows = await releasesOf(db, ids);
  return new Map(ids.map((id) => [id, rows.filter(({ assignmentId }) => assignmentId === id).map(({ what }) => what)]));
}

/** Whether a student may see something of a run at a part; what was told while they worked needs no release. */
export function maySee(
  what: Released,
  of: {
    readonly work: GivenWork;
    readonly target: TargetRow;
    readonly part: Pick<PartRow, "kind">;
    readonly run: Pick<SittingRow, "finishedAt"> | null;
    readonly word: readonly Released[];
  },
  now: number,
): boolean {
  const { work, target, part, run, word } = of;
  if (!conductorOf(part.kind).standsWhole) return false;
  return isReleased(what, {
    rules: work.release,
    word,
    done: run !== null && run.finishedAt !== null,
    closed: windowStanding(windowFor(work, target), now) === "closed",
  });
}

/** Whether the student of a run may see anything of what came out. */
export async function seesResults(db: Queryable, { runtime }: Context, run: Run): Promise<boolean> {
  const word = (await releasedWords(db, [run.work.id])).get(run.work.id) ?? [];
  const { work, target, part, sitting } = run;
  return maySee("score", { work, target, part, run: sitting, word }, runtime.now());
}
