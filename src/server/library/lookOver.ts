import "server-only";
import { MessageChannel } from "node:worker_threads";
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
  const stop = new AbortController();
  const { port1: here, port2: port } = new MessageChannel();
  let timer: ReturnType<typeof setTimeout> | undefined;
  here.once("message", () => {
    timer = setTimeout(() => stop.abort(), MOST_MILLISECONDS);
  });
  try {
    return (await pool().run({ ...task, port }, { transferList: [port], signal: stop.signal })) as Result;
  } catch (error) {
    if (stop.signal.aborted)
      throw new Refusal(
        "invalid",
        "Working this item out takes too long. Look for a power of a power, or for conditions that hardly any numbers meet.",
      );
    throw error;
  } finally {
    clearTimeout(timer);
    here.close();
  }
}

/** Looks a version over in a thread of its own, with so many variants to be seen; refuses what takes too long. */
export const lookItOver = (version: ItemVersion, draws: number, shown = VARIANTS_SHOWN): Promise<Look> =>
  run({ version, draws, shown });

/** Starts a thread for somebody who is about to need one: the first takes seconds. */
export const readyToLook = (): void =>
  void pool()
    .run({ version: { id: "", itemId: "", body: {} }, draws: 0, shown: 0 })
    .catch(() => undefined);

/** The verdict on an answer to a draw, likewise. */
export const judgeTry = (
  version: ItemVersion,
  given: { readonly seed: number; readonly context: string; readonly sent: unknown },
): Promise<ItemVerdict | null> => run({ version, given });
