import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import { countingMark } from "@/core/measurement/countingMark";
import { type Rational, rational } from "@/core/numeric/rational";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { type RunAt, runsOfAssignments, type TargetWithEnd, targetsOf } from "@/db/queries/runs";
import { type GivenWork, type PartRow, partsOfWorks } from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";

/** How one student stands with one piece of work. */
export interface MarkOfWork {
  readonly target: TargetWithEnd;
  /** Runs at the part that the work is marked by, in the order of the tries. */
  readonly runs: readonly RunAt[];
  /** Runs at whatever part. */
  readonly all: readonly RunAt[];
  /** Marks of finished tries, exact, in order. */
  readonly marks: readonly Rational[];
  /** The one that counts by the work's rule; null before there is one. */
  readonly mark: Rational | null;
}

/** The part that a work is marked by: its first test, else its first part that is not only read. */
export const markedPartOf = (parts: readonly PartRow[]): PartRow | undefined =>
  parts.find(({ kind }) => conductorOf(kind).standsWhole) ??
  parts.find(({ kind }) => !conductorOf(kind).isRead) ??
  parts[0];

/** Marks of all finished tries at a part, exact, in order. */
export const marksAtPart = ({ all }: Pick<MarkOfWork, "all">, partId: string): Rational[] =>
  all.flatMap((run) =>
    run.partId !== partId || run.finishedAt === null || run.mark === null ? [] : [rational(run.mark)],
  );

/** The marks of some pieces of work, by the work and then by the student; a few narrow reads however many they are. */
export async function marksOfWorks(
  db: Queryable,
  works: readonly Pick<GivenWork, "id" | "workId" | "retake">[],
): Promise<ReadonlyMap<string, ReadonlyMap<string, MarkOfWork>>> {
  const ids = works.map(({ id }) => id);
  const [targets, runs, parts] = await Promise.all([
    targetsOf(db, ids),
    runsOfAssignments(db, ids),
    partsOfWorks(
      db,
      works.map(({ workId }) => workId),
    ),
  ]);
  const [targetsBy, runsBy, partsBy] = [
    groupBy(targets, ({ assignmentId }) => assignmentId),
    groupBy(runs, ({ targetId }) => targetId),
    groupBy(parts, ({ workId }) => workId),
  ];
  return new Map(
    works.map(({ id, workId, retake }) => {
      const part = markedPartOf(partsBy.get(workId) ?? []);
      const own = (targetsBy.get(id) ?? []).map((target) => {
        const all = runsBy.get(target.id) ?? [];
        const marked = all.filter(({ partId }) => partId === part?.id);
        const marks = marksAtPart({ all }, part?.id ?? "");
        return [target.personId, { target, runs: marked, all, marks, mark: countingMark(marks, retake) }] as const;
      });
      return [id, new Map(own)] as const;
    }),
  );
}
