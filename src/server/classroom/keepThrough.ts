import "server-only";
import { isThrough } from "@/core/work/partStandings";
import { type GivenWork, keepCompletion } from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import type { Runtime } from "@/server/runtime/runtime";
import { partsOfTargets } from "./partsOfTargets";

/** Notes whether a student is through with everything that is for them, after a run of theirs ended. */
export async function keepThrough(
  tx: Queryable,
  runtime: Runtime,
  { work, target }: { readonly work: Pick<GivenWork, "workId" | "retake">; readonly target: { readonly id: string } },
): Promise<void> {
  const now = runtime.now();
  const parts = (await partsOfTargets(tx, work, [target.id], now)).get(target.id) ?? [];
  await keepCompletion(tx, target.id, isThrough(parts.map(({ standing }) => standing)) ? now : null);
}
