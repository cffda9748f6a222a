import "server-only";
import PQueue from "p-queue";
import { sittingById } from "@/db/queries/sittings";
import { LIBRARY_TABLES } from "@/db/queries/tableRevisions";
import { oldRowsOf } from "@/db/writerQueue";
import { keptStore } from "@/server/runtime/kept";
import type { Runtime } from "@/server/runtime/runtime";
import { loadRun, type Run } from "./run";

/** Students whose run is kept in memory: a lesson's worth of a large school. */
const MOST_RUNS = 2_000;
/** What no table's count tells of, such as a grade corrected by another process, is seen after this. */
const MOST_MILLISECONDS = 5 * 60_000;

/**
 * The run that a student is at, by the student: whoever turns to another piece of work begins anew there, since the answers
 * given elsewhere changed what is known of the skills. A kept run may be behind what another process has written; the version
 * in the sitting's row, and the number of scores in each summary, refuse what was worked out from it (see `writeAnswer`).
 */
const store = keptStore<Run | null>(
  [
    // New rows change nobody's run: a roster file brings thousands of people while a class is at work, and a plan that runs by itself gives
    // somebody new work every other minute. Work that was begun gets no further skills or items.
    ...["assignments", "assignment_targets", "works", "parts", "part_skills", "part_items", "people", "supports"].map(
      oldRowsOf,
    ),
    ...LIBRARY_TABLES,
  ],
  async () => null,
  { most: MOST_RUNS, milliseconds: MOST_MILLISECONDS },
);

/** A student's run at a sitting as kept; null when it has to be read. */
export async function keptRun(runtime: Runtime, personId: string, sittingId: string): Promise<Run | null> {
  const run = await store.get(runtime, personId);
  return run?.sitting.id === sittingId ? run : null;
}

/** How things stand before a run is read (see `keepRun`). */
export const runGeneration = (runtime: Runtime): number => store.generation(runtime);

/**
 * Runs read at once. After a restart a whole school's are asked for at the same moment: read side by side, all of them would be
 * there at the end only, and by then their students' browsers have given up and ask again.
 */
const READ_AT_ONCE = 4;
const reading = new PQueue({ concurrency: READ_AT_ONCE });

/** A sitting's run, read now. Null when there is no such sitting. */
export async function freshRun(runtime: Runtime, sittingId: string): Promise<Run | null> {
  return reading.add(async () => {
    const owner = await sittingById(runtime.db.read, sittingId);
    return owner ? loadRun(runtime.db.read, runtime, owner) : null;
  });
}

/** Keeps a run as it stands after a step, unless the work was changed since it was read: withdrawn, say, while this was written. */
export const keepRun = (runtime: Runtime, run: Run, generation: number): void =>
  store.put(runtime, run.personId, run, generation);

/** Forgets the run of a student whose summaries were made anew, or whose kept one has turned out to be behind. */
export const forgetRunOf = (runtime: Runtime, personId: string): void => store.forget(runtime, personId);
