"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { useRun } from "@/client/useRun";
import type { ReviewPlace } from "@/core/model/reviewSettings";
import { undoAction } from "@/server/history/undoAction";
import { placeReviewSkillsAction } from "../../actions";
import type { Change } from "./WhatWouldChange";

const DONE: Readonly<Record<ReviewPlace, string>> = {
  in: "in review from today",
  resting: "not asked any more; what was shown is kept",
  dropped: "out of review; what was shown stays in the map",
};

/** Choosing skills, seeing what would change, and doing it: for a class, or one student of it. */
export function usePlacing(whose: { readonly classId: string; readonly studentId: string | null }) {
  const router = useRouter();
  const run = useRun(undoAction);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [change, setChange] = useState<Change | null>(null);
  const place = (skillIds: readonly string[], to: ReviewPlace, then?: () => void) =>
    run(
      () => placeReviewSkillsAction({ ...whose, skillIds, place: to }),
      `${skillIds.length === 1 ? "1 skill is" : `${skillIds.length} skills are`} ${DONE[to]}.`,
      () => {
        setChosen(new Set());
        setChange(null);
        then?.();
        router.refresh();
      },
    );
  return { busy: run.busy, chosen, setChosen, change, setChange, place };
}

export type Placing = ReturnType<typeof usePlacing>;
