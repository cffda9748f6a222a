import "server-only";
import { writeAnswer } from "@/db/queries/answering";
import { keepThrough } from "@/server/classroom/keepThrough";
import type { Runtime } from "@/server/runtime/runtime";
import type { Run } from "../reads/run";
import { judgeReteach } from "./judgeReteach";
import { placeStudent } from "./placeStudent";
import type { Step } from "./stepOn";

/** Thrown to take back what was written from a run that is behind. */
class Behind extends Error {}

/** Writes a step, whole or not at all. False when the run it was worked out from is behind what is stored. */
export async function storeStep(runtime: Runtime, before: Run, { next, write }: Step): Promise<boolean> {
  try {
    await runtime.db.write(async (tx) => {
      if (!(await writeAnswer(tx, write))) throw new Behind();
      if (before.sitting.finishedAt !== null || next.sitting.finishedAt === null) return;
      await placeStudent(tx, next);
      await judgeReteach(tx, next);
      await keepThrough(tx, runtime, next);
    });
    return true;
  } catch (error) {
    if (error instanceof Behind) return false;
    throw error;
  }
}
