"use client";
import { toast } from "sonner";
import type { ActionResult } from "@/core/model/actionResult";

/** Milliseconds that a notice with an undo stays. */
const UNDO_MILLISECONDS = 12_000;

/** Says quietly what was done, with the way back where there is one. */
export function sayDone(text: string, undo?: () => Promise<ActionResult<string>>): void {
  if (!undo) {
    toast(text);
    return;
  }
  toast(text, {
    duration: UNDO_MILLISECONDS,
    action: {
      label: "Undo",
      onClick: async () => {
        const result = await undo();
        toast(result.ok ? `Undone: ${result.data}` : result.message);
      },
    },
  });
}

export function sayProblem(text: string): void {
  toast(text, { duration: UNDO_MILLISECONDS });
}
