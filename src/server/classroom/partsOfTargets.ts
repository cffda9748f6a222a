import "server-only";
import { rational } from "@/core/numeric/rational";
import { type PartStanding, partStandings } from "@/core/work/partStandings";
import type { SittingRow } from "@/db/queries/sittings";
import { openingsOf, type PartRow, partsOfWorks, runsOfTargets } from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";

/** A part of a piece of work as it stands for one student. */
export interface OwnPart {
  readonly part: PartRow;
  readonly standing: PartStanding;
  /** The student's latest run at it; null before the first. */
  readonly run: SittingRow | null;
}

/** Every part of a piece of work as it stands for each of some targets, by the target. */
export async function partsOfTargets(
  db: Queryable,
  workId: string,
  targetIds: readonly string[],
  now: number,
): Promise<ReadonlyMap<string, readonly OwnPart[]>> {
  const [parts, runs, openings] = await Promise.all([
    partsOfWorks(db, [workId]),
    runsOfTargets(db, targetIds),
    openingsOf(db, targetIds),
  ]);
  return new Map(
    targetIds.map((targetId) => {
      const own = runs.filter((run) => run.targetId === targetId);
      const runOf = (partId: string) => own.find((run) => run.partId === partId) ?? null;
      const standings = partStandings(
        parts.map((part) => {
          const run = runOf(part.id);
          return {
            id: part.id,
            opening: part.opening,
            begun: run !== null,
            done: run !== null && run.finishedAt !== null,
            mark: run?.mark ? rational(run.mark) : null,
            toFollow: toFollow(part, parts, runOf),
            opened: openings.some((opened) => opened.targetId === targetId && opened.partId === part.id),
          };
        }),
        now,
      );
      return [
        targetId,
        parts.map(
          (part, place): OwnPart => ({ part, run: runOf(part.id), standing: standings[place] as PartStanding }),
        ),
      ] as const;
    }),
  );
}

/** How many skills were missed in the part that this one follows; null where that is not known, or nothing is followed. */
function toFollow(
  { settings: { missedIn } }: PartRow,
  parts: readonly PartRow[],
  runOf: (partId: string) => SittingRow | null,
): number | null {
  if (!missedIn) return null;
  // A part that nobody set blocks nobody.
  if (!parts.some(({ id }) => id === missedIn.partId)) return 0;
  const run = runOf(missedIn.partId);
  return run?.finishedAt === null || !run ? null : (run.state.missed ?? []).length;
}

/** The skills that a student missed in the part that this one follows. */
export async function missedBefore(db: Queryable, part: PartRow, targetId: string): Promise<readonly string[] | null> {
  const { missedIn } = part.settings;
  if (!missedIn) return null;
  const run = (await runsOfTargets(db, [targetId])).find(({ partId }) => partId === missedIn.partId);
  return run?.state.missed ?? [];
}
