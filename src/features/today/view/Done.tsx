"use client";
import { useRun } from "@/client/useRun";
import type { ActionResult } from "@/core/model/actionResult";
import { undoAction } from "@/server/history/undoAction";
import { Button } from "@/ui/primitives/Button";

export type CloseAction = (input: {
  readonly pointerId: string;
}) => Promise<ActionResult<{ readonly changeId: string | null }>>;

/** Takes what a colleague pointed to off the list. */
export function Done({ pointerId, close }: { readonly pointerId: string; readonly close: CloseAction }) {
  const run = useRun(undoAction);
  return (
    <Button disabled={run.busy} onClick={() => run(() => close({ pointerId }), "Done; your colleague can see it.")}>
      Done
    </Button>
  );
}
