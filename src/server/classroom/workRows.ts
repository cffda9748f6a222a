import "server-only";
import { added } from "@/db/queries/rowChanges";
import type { RowChange } from "@/db/schema/history";
import type { Context } from "@/server/runtime/context";

export interface NewWork {
  readonly id: string;
  readonly classId: string;
  readonly kind: "practice" | "check";
  readonly title: string;
  readonly instructions: string;
  readonly opensAt: number;
  readonly dueAt: number;
  readonly budgetItems: number;
  readonly skillIds: readonly string[];
  readonly studentIds: readonly string[];
}

/** The rows of a new piece of work with its skills and its students. */
export function workRows({ runtime, actor }: Context, work: NewWork): RowChange[] {
  const { skillIds, studentIds, ...columns } = work;
  return [
    added("works", { ...columns, createdBy: actor.personId, createdAt: runtime.now(), withdrawnAt: null }),
    ...skillIds.map((skillId, place) => added("workSkills", { id: runtime.newId(), workId: work.id, skillId, place })),
    ...studentIds.map((personId) =>
      added("workTargets", { id: runtime.newId(), workId: work.id, personId, extraItems: 0 }),
    ),
  ];
}
