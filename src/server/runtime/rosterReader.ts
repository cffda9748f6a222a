import "server-only";
import { Worker } from "node:worker_threads";
import type { RosterRemark } from "@/core/roster/rosterRemark";
import type { RosterPreview, RosterPreviewInput, RosterSurroundings } from "@/formats/roster/previewRoster";
import { Refusal } from "./refusal";
import { workerFile } from "./workerFile";

export interface ReadingProgress {
  /** 0 to 1. */
  readonly share: number;
  readonly what: RosterRemark;
}

/** A thread that has read its file and waits for the next: starting one takes longer than reading a class's sheet. */
let idle: Worker | null = null;

function takeWorker(): Worker {
  const worker = idle ?? new Worker(workerFile("rosterWorker.mjs"));
  idle = null;
  worker.ref();
  return worker;
}

/** One by one: without a name, the thread's own listeners would go too, and it would never answer again. */
function dropListeners(worker: Worker): void {
  for (const name of ["message", "error", "exit"]) worker.removeAllListeners(name);
}

function giveBack(worker: Worker): void {
  dropListeners(worker);
  if (idle) {
    void worker.terminate();
    return;
  }
  idle = worker;
  // Waiting, it keeps no process alive; ending meanwhile, it is forgotten.
  worker.unref();
  worker.once("exit", () => {
    if (idle === worker) idle = null;
  });
}

/**
 * What a roster file would change, worked out in a thread of its own, which reads the file while the roster is still being
 * fetched; stops at once when the signal is given.
 */
export function readRosterFile(
  input: RosterPreviewInput,
  roster: Promise<RosterSurroundings>,
  progress: (at: ReadingProgress) => void,
  signal?: AbortSignal,
): Promise<RosterPreview> {
  return new Promise((resolve, reject) => {
    const worker = takeWorker();
    let over = false;
    const end = () => {
      over = true;
      signal?.removeEventListener("abort", stop);
    };
    const giveUp = (problem: unknown) => {
      end();
      dropListeners(worker);
      void worker.terminate();
      reject(problem);
    };
    const stop = () => giveUp(new Refusal("closed", "Reading the file was stopped. Nothing was changed."));
    // A file that is refused needs no roster, and the thread may be at the next file by then.
    roster.then((found) => over || worker.postMessage({ roster: found }), giveUp);
    if (signal?.aborted) return stop();
    signal?.addEventListener("abort", stop, { once: true });
    worker.on("message", (message: ReadingProgress | { preview: RosterPreview } | { problem: string }) => {
      if ("share" in message) return progress(message);
      end();
      giveBack(worker);
      if ("preview" in message) resolve(message.preview);
      else reject(new Error(`Reading the roster file failed: ${message.problem}`));
    });
    worker.once("error", giveUp);
    worker.once("exit", (code) => giveUp(new Error(`Reading the roster file ended with code ${code}.`)));
    worker.postMessage({ input });
  });
}
