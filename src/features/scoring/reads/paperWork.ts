import "server-only";
import type { Conductor } from "@/core/work/conductors/conductor";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import type { PersonRow } from "@/db/queries/people";
import type { SittingRow } from "@/db/queries/sittings";
import {
  assignmentById,
  type GivenWork,
  type PartRow,
  partsOfWorks,
  pickedItemsOf,
  runsOfTargets,
  type TargetRow,
  targetsWithSittings,
} from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import { demandClasses } from "@/server/access/subjects";
import { versionsOf } from "@/server/library/drawnItems";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";

/** A test on paper with the students who have it. */
export interface PaperWork {
  readonly work: GivenWork;
  readonly part: PartRow;
  readonly conductor: Conductor;
  /** In the order of the form, each with the points that it has. */
  readonly placed: readonly (Awaited<ReturnType<typeof pickedItemsOf>>[number] & { readonly points: number })[];
  readonly targets: readonly {
    readonly person: PersonRow;
    readonly target: TargetRow;
    readonly run: SittingRow | null;
  }[];
}

/** The first part on paper of what was given. Refused where there is none. */
export async function paperWorkOf(
  db: Queryable,
  context: Context,
  assignmentId: string,
  verb: "see" | "change",
): Promise<PaperWork> {
  const work = await assignmentById(db, assignmentId);
  if (!work || work.withdrawnAt !== null) throw new Refusal("not-found", "This work is not there, or was withdrawn.");
  await demandClasses(context, verb, [work.classId], db);
  const part = (await partsOfWorks(db, [work.workId])).find(({ kind }) => conductorOf(kind).onPaper);
  if (!part) throw new Refusal("invalid", "Nothing of this work is done on paper.");
  const [placed, targets] = await Promise.all([
    pickedItemsOf(db, part.id, null),
    targetsWithSittings(db, [assignmentId]),
  ]);
  const [versions, runs] = await Promise.all([
    versionsOf(
      context.runtime,
      placed.map(({ versionId }) => versionId),
    ),
    runsOfTargets(
      db,
      targets.map(({ target }) => target.id),
    ),
  ]);
  return {
    work,
    part,
    conductor: conductorOf(part.kind),
    placed: placed.map((item) => ({
      ...item,
      points:
        item.points ?? versions.get(item.versionId)?.body.parts.reduce((sum, one) => sum + (one.points ?? 1), 0) ?? 1,
    })),
    targets: targets.map(({ person, target }) => ({
      person,
      target,
      run: runs.find((run) => run.targetId === target.id && run.partId === part.id) ?? null,
    })),
  };
}
