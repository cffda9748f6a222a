import "server-only";
import type { PickedItem } from "@/core/work/partSituation";
import type { SittingItemRow, SittingRow } from "@/db/queries/sittings";
import type { Runtime } from "@/server/runtime/runtime";

/** A run at a part that has just begun: nothing is done yet. */
export const newSitting = (
  runtime: Runtime,
  of: Pick<SittingRow, "targetId" | "partId" | "attempt" | "state" | "startedAt">,
): SittingRow => ({
  id: runtime.newId(),
  version: 1,
  lastAt: of.startedAt,
  endsAt: null,
  finishedAt: null,
  finishReason: null,
  itemsDone: 0,
  itemsRight: 0,
  progressPermille: 0,
  activeMilliseconds: 0,
  mark: null,
  ...of,
});

/** An item of a run before its first try. */
export const newSittingItem = (
  runtime: Runtime,
  { skillId, versionId, seed, context, points = 1 }: Omit<PickedItem, "itemId">,
  of: Pick<SittingItemRow, "sittingId" | "state" | "place" | "optionOrder">,
): Omit<SittingItemRow, "itemId"> => ({
  id: runtime.newId(),
  skillId,
  versionId,
  seed,
  context,
  points,
  tries: 0,
  earned: null,
  possible: null,
  tryFrom: null,
  hints: 0,
  setAside: false,
  ...of,
});
