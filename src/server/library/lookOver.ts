import "server-only";
import type { ItemVerdict } from "@/core/items/checkItem";
import type { ItemVersion } from "@/core/items/itemBody";
import type { Look } from "@/core/items/lookOver";
import { Refusal } from "@/server/runtime/refusal";
import { workerPool } from "@/server/runtime/workerPool";

/** Items looked over at the same moment; further ones wait. */
const MOST_AT_ONCE = 2;
/** An item whose draws take longer is none that a class could be given. */
const MOST_MILLISECONDS = 4_000;
/** Draws tried while somebody writes, and before an item is put into use. */
export const DRAWS_WHILE_WRITING = 100;
export const DRAWS_BEFORE_USE = 1_000;
export const VARIANTS_SHOWN = 20;

const pool = workerPool("itemWorker.mjs", MOST_AT_ONCE);

async function run<Result>(task: object): Promise<Result> {
  const stop = AbortSignal.timeout(MOST_MILLISECONDS);
  try {
    return (await pool().run(task, { signal: stop })) as Result;
  } catch (error) {
    if (stop.aborted)
      throw new Refusal(
        "invalid",
        "Working this item out takes too long. Look for a power of a power, or for conditions that hardly any numbers meet.",
      );
    throw error;
  }
}

/** Looks a version over in a thread of its own; refuses what takes too long. */
export const lookItOver = (version: ItemVersion, draws: number): Promise<Look> =>
  run({ version, draws, shown: VARIANTS_SHOWN });

/** The verdict on an answer to a draw, likewise. */
export const judgeTry = (
  version: ItemVersion,
  given: { readonly seed: number; readonly context: string; readonly sent: unknown },
): Promise<ItemVerdict | null> => run({ version, given });
