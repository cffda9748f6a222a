import "server-only";
import { isStorageFailure } from "@/db/errorKind";
import { countFurther, hasUncounted } from "@/db/queries/itemCounts";
import { keptStore } from "@/server/runtime/kept";
import type { Runtime } from "@/server/runtime/runtime";

/** While a class works, the counts of a search may be so old. */
const MILLISECONDS = 60_000;

const counted = keptStore([], countItemUse, { most: 1, milliseconds: MILLISECONDS });

/** Goes on once what was answered up to a minute ago is counted by item. */
export async function usesCounted(runtime: Runtime): Promise<void> {
  try {
    await counted.get(runtime, "");
  } catch (error) {
    // While nothing can be written, the counts are as they were.
    if (!isStorageFailure(error)) throw error;
  }
}

/** Counts what the logs say since it was counted last, a piece at each turn of the writer. */
export async function countItemUse(runtime: Runtime): Promise<void> {
  if (!(await hasUncounted(runtime.db.read))) return;
  while (await runtime.db.write(countFurther));
}
