import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import { supersede } from "@/db/queries/answerLog";
import type { ChangeRow } from "@/db/queries/history";
import { type PartItem, partItemById, scoresOfShown, weighPlaced } from "@/db/queries/marks";
import type { Queryable } from "@/db/queryable";
import { Refusal } from "../runtime/refusal";
import type { Runtime } from "../runtime/runtime";
import { rebuildIn } from "./rebuild";
import { renewMarksOf } from "./renewMarks";
import { takeRescoreBack } from "./rescore";

/**
 * Takes an item out of a test that was given: it weighs nothing in any mark, and answers to it are evidence of nothing. They stay in the log; scores of nothing
 * possible take the place of theirs.
 */
export async function dropIn(tx: Queryable, runtime: Runtime, item: PartItem, changeId: string): Promise<void> {
  const shown = await weighPlaced(tx, item, { placed: 0, shown: 0 });
  const before = await scoresOfShown(
    tx,
    shown.map(({ id }) => id),
  );
  await supersede(
    tx,
    before.map(({ serial, ...score }) => ({
      ...score,
      earned: 0,
      possible: 0,
      by: "re-score" as const,
      scoredAt: runtime.now(),
      supersedes: serial,
      changeId,
    })),
  );
  for (const [personId, own] of groupBy(before, (score) => score.personId))
    await rebuildIn(tx, personId, [...new Set(own.map(({ skillId }) => skillId))]);
  await renewMarksOf(tx, [...new Set(shown.map(({ sittingId }) => sittingId))]);
}

/** Puts the item back as it was: its points, and the scores that answers to it had. */
export async function takeDropBack(tx: Queryable, runtime: Runtime, change: ChangeRow): Promise<void> {
  const { partItemId, placed, shown } = change.facts as { partItemId: string; placed: number | null; shown: number };
  const item = await partItemById(tx, partItemId);
  if (!item) throw new Refusal("conflict", "This item is in no test any more.");
  const runs = await weighPlaced(tx, item, { placed, shown });
  await takeRescoreBack(tx, runtime, change);
  await renewMarksOf(tx, [...new Set(runs.map(({ sittingId }) => sittingId))]);
}
