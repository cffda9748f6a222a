"use client";
import { useParams, useRouter } from "next/navigation";
import { useState } from "react";
import { v7 } from "uuid";
import { useRun } from "@/client/useRun";
import type { ActionResult } from "@/core/model/actionResult";
import { undoAction } from "@/server/history/undoAction";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import type { StudentReportView } from "../../studentTypes";

/** Gives practice; work is another feature's, so the page hands it in. */
export type GivePractice = (input: unknown) => Promise<ActionResult<{ changeId: string | null; works: number }>>;

/** Practice on one skill for one student, in one move. */
export function PracticeNow(props: {
  readonly view: StudentReportView;
  readonly skillId: string;
  readonly give: GivePractice;
}) {
  const { view, skillId, give } = props;
  const { classes } = useParams<{ classes: string }>();
  const router = useRouter();
  const run = useRun(undoAction);
  const [batchId, setBatchId] = useState(() => v7());
  const assign = () =>
    run(
      () =>
        give({
          batchId,
          dueDay: view.dueDay,
          marked: [{ studentId: view.id, classId: view.classId, skillIds: [skillId] }],
        }),
      `Assigned practice to ${view.name}.`,
      () => {
        setBatchId(v7());
        router.refresh();
      },
    );
  return (
    <div className="no-print mt-1.5 flex flex-wrap gap-2">
      <Button
        look="main"
        disabled={run.busy || !view.mayChange || view.classId === ""}
        title={view.mayChange ? undefined : "Work can be given only to classes of your own."}
        onClick={assign}
      >
        Assign practice on it
      </Button>
      <ButtonLink href={`/desk/${classes}/library/${skillId}`}>Lesson and reteach plan</ButtonLink>
    </div>
  );
}
