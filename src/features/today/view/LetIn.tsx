"use client";
import { useRun } from "@/client/useRun";
import type { ActionResult } from "@/core/model/actionResult";
import { undoAction } from "@/server/history/undoAction";
import { Button } from "@/ui/primitives/Button";

export type LetInAction = (input: { readonly studentIds: readonly string[] }) => Promise<ActionResult<void>>;

/** Lets students try again at once who were held at the door, in one move from Today. */
export function LetIn({
  studentIds,
  label,
  letIn,
}: {
  readonly studentIds: readonly string[];
  readonly label: string;
  readonly letIn: LetInAction;
}) {
  const run = useRun(undoAction);
  return (
    <Button
      look="main"
      disabled={run.busy}
      onClick={() => run(() => letIn({ studentIds }), "They can try again at once.")}
    >
      {label}
    </Button>
  );
}
