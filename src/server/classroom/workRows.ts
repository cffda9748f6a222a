import "server-only";
import type { PartSettings, WorkKind } from "@/core/model/work";
import { added } from "@/db/queries/rowChanges";
import type { RowChange } from "@/db/schema/history";
import type { Actor } from "@/server/access/policy";
import type { Runtime } from "@/server/runtime/runtime";

export interface NewWork {
  /** Of the assignment: what was given, to whom and when. */
  readonly assignmentId: string;
  readonly classId: string;
  /** The group that it is for, if for one. */
  readonly groupId?: string;
  readonly kind: WorkKind;
  readonly settings: PartSettings;
  readonly title: string;
  readonly instructions: string;
  readonly opensAt: number;
  /** Null for work without a due day. */
  readonly dueAt: number | null;
  readonly skillIds: readonly string[];
  readonly studentIds: readonly string[];
  /** Draws picked by hand, in order; items are drawn for each student without them. */
  readonly items?: readonly {
    readonly versionId: string;
    readonly skillId: string;
    readonly seed: number;
    readonly context: string;
  }[];
}

/** The rows of a new piece of work of one part, and of giving it to students in somebody's name. */
export function workRows(
  { runtime, actor }: { readonly runtime: Runtime; readonly actor: Pick<Actor, "personId" | "schoolId"> },
  work: NewWork,
): RowChange[] {
  const now = runtime.now();
  const [workId, partId] = [runtime.newId(), runtime.newId()];
  const { assignmentId, classId, groupId = null, opensAt, dueAt } = work;
  return [
    added("works", {
      id: workId,
      schoolId: actor.schoolId,
      ownerId: actor.personId,
      title: work.title,
      instructions: work.instructions,
      createdAt: now,
      archivedAt: null,
    }),
    added("parts", { id: partId, workId, place: 0, kind: work.kind, settings: work.settings }),
    ...work.skillIds.map((skillId, place) => added("partSkills", { id: runtime.newId(), partId, skillId, place })),
    ...(work.items ?? []).map((item, place) => added("partItems", { id: runtime.newId(), partId, place, ...item })),
    added("assignments", {
      id: assignmentId,
      workId,
      classId,
      groupId,
      givenBy: actor.personId,
      givenAt: now,
      opensAt,
      dueAt,
      withdrawnAt: null,
    }),
    ...work.studentIds.map((personId) =>
      added("assignmentTargets", { id: runtime.newId(), assignmentId, personId, extraItems: 0 }),
    ),
  ];
}
