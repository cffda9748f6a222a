import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { earnedOfParts } from "@/core/work/earnedOfParts";
import { isRightFirst } from "@/core/work/sittingItem";
import { firstTriesOf, scoresOfAnswers } from "@/db/queries/answerLog";
import { keepMark, kindsOfSittings } from "@/db/queries/marks";
import { itemsOfSittings } from "@/db/queries/sittings";
import type { Queryable } from "@/db/queryable";

/**
 * What items earned, and the marks of their runs, once answers to them are worth something else: an item is worth what its first try earned, a run what its
 * kind of work makes of its items. A run that has no mark yet gets none.
 */
export async function renewMarks(tx: Queryable, answerSerials: readonly number[]): Promise<void> {
  const tries = await firstTriesOf(tx, answerSerials);
  const scores = groupBy(
    await scoresOfAnswers(
      tx,
      tries.map(({ serial }) => serial),
    ),
    ({ answerSerial }) => answerSerial,
  );
  const earned = new Map(
    tries.flatMap(({ serial, sittingItemId }) => {
      const own = scores.get(serial);
      if (!own) return [];
      const parts = [...groupBy(own, ({ part }) => part).values()].flatMap(([first]) => first ?? []);
      return [[sittingItemId, earnedOfParts(parts)] as const];
    }),
  );
  await renewMarksOf(tx, [...new Set(tries.map(({ sittingId }) => sittingId))], earned);
}

/** The same for some runs, whose items may be worth other points now; `earned` names items that earned something else. */
export async function renewMarksOf(
  tx: Queryable,
  sittingIds: readonly string[],
  earned: ReadonlyMap<string, { readonly earned: number | null; readonly possible: number | null }> = new Map(),
): Promise<void> {
  const kinds = await kindsOfSittings(tx, sittingIds);
  const items = groupBy(await itemsOfSittings(tx, sittingIds), ({ sittingId }) => sittingId);
  for (const { id, kind, mark } of kinds) {
    const before = items.get(id) ?? [];
    const after = before.map((item) => ({ ...item, ...earned.get(item.id) }));
    const next = mark === null ? null : (conductorOf(kind).mark({ items: after })?.toFraction() ?? null);
    await keepMark(tx, id, {
      mark: next,
      itemsRight: after.filter(isRightFirst).length,
      items: after.filter((item) => earned.has(item.id)),
    });
  }
}
