import type { FinishReason } from "../model/work";

/** Where a student is with a piece of work; "stuck" is somebody at work who is held up in one of its skills. */
export type RunState = "not-started" | "missed" | "working" | "stuck" | FinishReason;

/**
 * Where a student is with a piece of work.
 * @param run The student's sitting; null before it was opened.
 * @param around Whether the work is over, and whether the student is held up in one of its skills.
 * @example stateOfRun(null, { isOver: true }) // "missed"
 */
export function stateOfRun(
  run: { readonly finishReason: FinishReason | null } | null,
  { isOver = false, isStuck = false }: { readonly isOver?: boolean; readonly isStuck?: boolean } = {},
): RunState {
  if (run?.finishReason) return run.finishReason;
  if (run) return isStuck ? "stuck" : "working";
  return isOver ? "missed" : "not-started";
}
