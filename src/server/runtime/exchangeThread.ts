import "server-only";
import { MessageChannel } from "node:worker_threads";
import type { ItemFileKind, ItemFileReading } from "@/formats/exchange/readItemFile";
import type { OutgoingItem, writePackage } from "@/formats/qti/writePackage";
import type { readCase } from "@/formats/standards/readCase";
import { Refusal } from "./refusal";
import { workerPool } from "./workerPool";

/** Files read or written at the same moment; further ones wait. */
const MOST_AT_ONCE = 2;
const pool = workerPool("exchangeWorker.mjs", MOST_AT_ONCE);

export interface ItemFile {
  readonly kind: ItemFileKind;
  readonly fileName: string;
  readonly bytes: Uint8Array;
}

/** Reads a file of items in a thread of its own; stops at once when the signal is given. */
export async function readItems(
  read: ItemFile,
  progress: (done: number, of: number) => void,
  signal: AbortSignal,
): Promise<ItemFileReading> {
  const { port1: here, port2: port } = new MessageChannel();
  here.on("message", ({ done, of }: { done: number; of: number }) => progress(done, of));
  try {
    return (await pool().run({ read, port }, { transferList: [port], signal })) as ItemFileReading;
  } catch (error) {
    if (signal.aborted) throw new Refusal("closed", "Reading the file was stopped. Nothing was changed.");
    throw new Error("Reading the file of items failed.", { cause: error });
  } finally {
    here.close();
  }
}

/** Writes a content package in a thread of its own. */
export const writeItems = (
  title: string,
  items: readonly OutgoingItem[],
  pictures: Parameters<typeof writePackage>[2] = [],
): Promise<Uint8Array> => pool().run({ write: { title, items, pictures } }) as Promise<Uint8Array>;

/** Reads a framework of standards in a thread of its own; stops at once when the signal is given. */
export async function readFramework(framework: Uint8Array, signal: AbortSignal): Promise<ReturnType<typeof readCase>> {
  try {
    return (await pool().run({ framework }, { signal })) as ReturnType<typeof readCase>;
  } catch (error) {
    if (signal.aborted) throw new Refusal("closed", "Reading the file was stopped. Nothing was changed.");
    throw new Error("Reading the framework failed.", { cause: error });
  }
}
