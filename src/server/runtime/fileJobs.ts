import "server-only";
import type { Runtime } from "./runtime";

/** A file that is being read, or was. */
export interface FileJob<Result, Progress> {
  /** What was to be read, and against what. */
  readonly fingerprint: string;
  readonly done: Promise<Result>;
  progress: Progress;
  result: Result | null;
  failure: unknown;
}

interface Reading<Result, Progress> {
  readonly draftId: string;
  readonly fingerprint: string;
  readonly atFirst: Progress;
  readonly read: (signal: AbortSignal, progress: (at: Progress) => void) => Promise<Result>;
}

/** Finished readings of a kind that are kept for the next look at them. */
const MOST_KEPT = 4;
/** How long a first look waits, so that small files need no second one. */
const PATIENCE_MILLISECONDS = 1_200;

/**
 * Readings of one kind of file, by the draft that holds it. They hang on the database itself: the page that shows a reading and the
 * action that applies it are bundles of their own.
 */
export function fileJobs<Result, Progress>(kind: string) {
  type Job = FileJob<Result, Progress>;
  const place = Symbol.for(`oxbow.fileJobs.${kind}`);
  const jobsOf = ({ db }: Runtime): Map<string, { readonly job: Job; readonly controller: AbortController }> => {
    const holder = db as object as Record<symbol, ReturnType<typeof jobsOf> | undefined>;
    holder[place] ??= new Map();
    return holder[place];
  };
  return {
    /** Starts reading, or goes on with what is being read or was read already. */
    start(runtime: Runtime, { draftId, fingerprint, atFirst, read }: Reading<Result, Progress>): Job {
      const jobs = jobsOf(runtime);
      const running = jobs.get(draftId);
      if (running?.job.fingerprint === fingerprint && !running.controller.signal.aborted) return running.job;
      running?.controller.abort();
      const controller = new AbortController();
      const job: Job = {
        fingerprint,
        progress: atFirst,
        result: null,
        failure: null,
        done: read(controller.signal, (at) => {
          job.progress = at;
        }),
      };
      jobs.delete(draftId);
      jobs.set(draftId, { job, controller });
      job.done.then(
        (result) => {
          job.result = result;
        },
        (error: unknown) => {
          job.failure = error;
        },
      );
      for (const [id, { job: old }] of jobs) if (jobs.size > MOST_KEPT && (old.result || old.failure)) jobs.delete(id);
      return job;
    },
    stop(runtime: Runtime, draftId: string): void {
      jobsOf(runtime).get(draftId)?.controller.abort();
      jobsOf(runtime).delete(draftId);
    },
  };
}

/** Waits a moment for a reading to end, whichever way. */
export async function waitAMoment({ done }: { readonly done: Promise<unknown> }): Promise<void> {
  await Promise.race([done.catch(() => null), new Promise((resolve) => setTimeout(resolve, PATIENCE_MILLISECONDS))]);
}
