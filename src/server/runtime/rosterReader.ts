import "server-only";
import { MessageChannel } from "node:worker_threads";
import type { RosterRemark } from "@/core/roster/rosterRemark";
import type { RosterPreview, RosterPreviewInput, RosterSurroundings } from "@/formats/roster/previewRoster";
import { Refusal } from "./refusal";
import { workerPool } from "./workerPool";

export interface ReadingProgress {
  /** 0 to 1. */
  readonly share: number;
  readonly what: RosterRemark;
}

/** Files read at the same moment; further ones wait. */
const MOST_AT_ONCE = 2;
const pool = workerPool("rosterWorker.mjs", MOST_AT_ONCE);

/**
 * What a roster file would change, worked out in a thread of its own, which reads the file while the roster is still being
 * fetched; stops at once when the signal is given.
 */
export async function readRosterFile(
  input: RosterPreviewInput,
  roster: Promise<RosterSurroundings>,
  progress: (at: ReadingProgress) => void,
  signal?: AbortSignal,
): Promise<RosterPreview> {
  const { port1: here, port2: there } = new MessageChannel();
  const failed = new AbortController();
  here.on("message", progress);
  // A file that is refused needs no roster; then nobody listens any more.
  roster.then(
    (found) => here.postMessage(found),
    () => failed.abort(),
  );
  const stop = signal ? AbortSignal.any([signal, failed.signal]) : failed.signal;
  try {
    return (await pool().run({ input, port: there }, { transferList: [there], signal: stop })) as RosterPreview;
  } catch (error) {
    if (signal?.aborted) throw new Refusal("closed", "Reading the file was stopped. Nothing was changed.");
    // Where the roster could not be fetched, that is the cause.
    if (failed.signal.aborted) await roster;
    throw new Error("Reading the roster file failed.", { cause: error });
  } finally {
    here.close();
  }
}
