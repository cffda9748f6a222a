"use client";
import { useRouter } from "next/navigation";
import { useTransition } from "react";
import { v7 } from "uuid";
import { sayDone, sayProblem } from "@/client/notices";
import { undoAction } from "@/server/history/undoAction";
import { reteachNowAction } from "../actions";

/** A group as it is made. */
export interface NewGroup {
  readonly id: string;
  readonly name: string;
  readonly skillId: string | null;
  readonly studentIds: readonly string[];
  readonly because?: string;
  readonly slots?: readonly string[];
}

/** Makes a group and assigns its reteach in one move, then opens the group; undo takes both back. */
export function useReteachNow(base: string, classIds: readonly string[]) {
  const router = useRouter();
  const [busy, start] = useTransition();
  const assign = (group: NewGroup, done?: () => void) =>
    start(async () => {
      const result = await reteachNowAction({ classIds, group, reteachId: v7() });
      if (!result.ok) {
        sayProblem(result.message);
        return;
      }
      const { changeIds, groupId } = result.data;
      const many = group.studentIds.length === 1 ? "1 student" : `${group.studentIds.length} students`;
      sayDone(`Made “${group.name}” and assigned its reteach to ${many}.`, async () => {
        const [later = "", earlier = ""] = changeIds;
        const first = await undoAction(later);
        return first.ok && earlier ? undoAction(earlier) : first;
      });
      done?.();
      router.push(`${base}/regroup/${groupId}`);
    });
  return { busy, assign };
}
