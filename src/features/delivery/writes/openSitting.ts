import "server-only";
import { answersOfSitting } from "@/db/queries/delivery";
import type { Context } from "@/server/runtime/context";
import type { SittingView } from "../types";
import { ensureSitting } from "./sitting";
import { sittingView } from "./sittingView";

/** Begins or resumes the asking student's run at a piece of work: the same item stands there as before. */
export async function openSitting(context: Context, workId: string): Promise<SittingView> {
  return context.runtime.db.write(async (tx) => {
    const { library, work, sitting, situation } = await ensureSitting(tx, context, workId);
    const last = (await answersOfSitting(tx, sitting.id)).at(-1) ?? null;
    return sittingView(library, work, sitting, situation.skillIds, situation.budgetItems, last);
  });
}
