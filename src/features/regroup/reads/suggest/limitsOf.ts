import "server-only";
import type { GroupHabits } from "@/core/model/reteach";
import { habitsOfClasses } from "@/db/queries/reteaches";
import { demandClasses } from "@/server/access/subjects";
import type { Context } from "@/server/runtime/context";
import { limitsFrom, type Search, USUAL_HABITS } from "../../limits";
import type { Limits } from "../../suggestTypes";

/** The wishes for some classes: the times and sizes that the first of them keeps, the pairs of all, and what the address says. */
export async function limitsOf(context: Context, classIds: readonly string[], search: Search): Promise<Limits> {
  await demandClasses(context, "see", classIds);
  const rows = await habitsOfClasses(context.runtime.db.read, classIds);
  const kept = classIds.flatMap((id) => rows.find(({ classId }) => classId === id)?.habits ?? []);
  const first = kept[0] ?? USUAL_HABITS;
  return limitsFrom(search, {
    ...first,
    apart: each(kept.flatMap(({ apart }) => apart)),
    together: each(kept.flatMap(({ together }) => together)),
  });
}

/** Pairs that several classes keep, once. */
const each = (pairs: GroupHabits["apart"]) => [...new Map(pairs.map((pair) => [pair.join(), pair])).values()];
