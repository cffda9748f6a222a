import "server-only";
import { countingMark } from "@/core/measurement/countingMark";
import { type Rational, rational } from "@/core/numeric/rational";
import { type PartStanding, partStandings } from "@/core/work/partStandings";
import type { SittingRow } from "@/db/queries/sittings";
import {
  type FurtherTryRow,
  finishedMarksOf,
  furtherTriesOf,
  type GivenWork,
  openingsOf,
  type PartRow,
  partsOfWorks,
  runsOfTargets,
} from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import { markedPartOf } from "./marksOfWorks";

/** A part of a piece of work as it stands for one student. */
export interface OwnPart {
  readonly part: PartRow;
  readonly standing: PartStanding;
  /** The student's latest run at it; null before the first. */
  readonly run: SittingRow | null;
  /** That which counts, exact, over all finished tries; null before there is one. */
  readonly mark: Rational | null;
  /** Of each finished try that has one, in order. */
  readonly marks: readonly Rational[];
  /** A further try was given and is not finished. */
  readonly again: FurtherTryRow | null;
}

/** Every part of a piece of work as it stands for each of some targets, by the target. */
export async function partsOfTargets(
  db: Queryable,
  { workId, retake }: Pick<GivenWork, "workId" | "retake">,
  targetIds: readonly string[],
  now: number,
): Promise<ReadonlyMap<string, readonly OwnPart[]>> {
  const [parts, runs, openings, tries, marks] = await Promise.all([
    partsOfWorks(db, [workId]),
    runsOfTargets(db, targetIds),
    openingsOf(db, targetIds),
    furtherTriesOf(db, targetIds),
    finishedMarksOf(db, targetIds),
  ]);
  return new Map(
    targetIds.map((targetId) => {
      const own = runs.filter((run) => run.targetId === targetId);
      const runOf = (partId: string) => own.find((run) => run.partId === partId) ?? null;
      const marksOf = (partId: string) =>
        marks.flatMap((one) =>
          one.targetId === targetId && one.partId === partId && one.mark !== null ? [rational(one.mark)] : [],
        );
      const againAt = (partId: string) => {
        const given = tries.filter((one) => one.targetId === targetId && one.partId === partId).at(-1);
        const run = runOf(partId);
        const isUsed = run !== null && run.finishedAt !== null && run.attempt >= (given?.attempt ?? 0);
        return given && !isUsed ? given : null;
      };
      const standings = partStandings(
        parts.map((part) => {
          const run = runOf(part.id);
          return {
            id: part.id,
            opening: part.opening,
            begun: run !== null,
            done: run !== null && run.finishedAt !== null && againAt(part.id) === null,
            mark: countingMark(marksOf(part.id), retake),
            toFollow: toFollow(part, parts, runOf),
            opened: openings.some((opened) => opened.targetId === targetId && opened.partId === part.id),
          };
        }),
        now,
      );
      return [
        targetId,
        parts.map(
          (part, place): OwnPart => ({
            part,
            run: runOf(part.id),
            standing: standings[place] as PartStanding,
            marks: marksOf(part.id),
            mark: countingMark(marksOf(part.id), retake),
            again: againAt(part.id),
          }),
        ),
      ] as const;
    }),
  );
}

/** The part that the work is marked by, as it stands for one student. */
export function markedPart(own: readonly OwnPart[]): OwnPart | undefined {
  const marked = markedPartOf(own.map(({ part }) => part));
  return own.find(({ part }) => part.id === marked?.id);
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
