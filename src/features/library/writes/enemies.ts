import "server-only";
import { array, boolean, object, string } from "yup";
import { type EnemyRow, pairId, pairsAmong } from "@/db/queries/itemEnemies";
import { itemsById } from "@/db/queries/items";
import { added, changed } from "@/db/queries/rowChanges";
import type { RowChange } from "@/db/schema/history";
import { bankSubject, demandBank } from "@/server/access/bankSubject";
import { demand, demandStaff } from "@/server/access/demand";
import { may } from "@/server/access/policy";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";

const input = object({
  itemIds: array(string().required())
    .min(2, "Choose two items or more.")
    .max(8, "Choose at most eight items at once.")
    .required(),
  /** Whether they are kept apart from now on, or may stand together again. */
  apart: boolean().required(),
});

/**
 * Keeps items apart of which one gives another away, each with each, or lets them stand together again. Whoever does may use all of
 * them and change at least one: a pair says something of both.
 */
export async function keepApart(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const staff = demandStaff(context.actor);
  const { itemIds, apart } = validated(input, raw);
  const wanted = [...new Set(itemIds)].sort();
  return context.runtime.db.write(async (tx) => {
    const found = await itemsById(tx, wanted);
    for (const { bankId } of found) await demandBank(context, "use", bankId, tx);
    if (found.length < wanted.length || wanted.length < 2)
      throw new Refusal("not-found", "Some of these items are not in the library any more. Search again.");
    const banks = await Promise.all(
      found.flatMap(({ bankId }) => (bankId === null ? [] : [bankSubject(context, bankId, tx)])),
    );
    const [first] = banks;
    if (!banks.some((bank) => may(staff, "change", bank))) {
      if (first) demand(staff, "change", first);
      throw new Refusal("not-allowed", "None of these items is in a bank that you may change.");
    }
    const known = new Map((await pairsAmong(tx, wanted)).map((row) => [row.id, row]));
    const rows = wanted.flatMap((itemId, place) =>
      wanted
        .slice(place + 1)
        .flatMap((enemyId) => rowOf(known.get(pairId(itemId, enemyId)), { itemId, enemyId, apart })),
    );
    if (rows.length === 0) throw new Refusal("conflict", "Nothing was changed: that is so already.");
    const changeId = await recordChange(tx, context, {
      kind: "items-kept-apart",
      facts: { items: wanted.length, apart },
      classId: null,
      subjectIds: [...new Set(found.flatMap(({ bankId }) => bankId ?? []))],
      rows,
    });
    return { changeId };
  });
}

function rowOf(known: EnemyRow | undefined, pair: Omit<EnemyRow, "id">): RowChange[] {
  if (known) return known.apart === pair.apart ? [] : [changed("itemEnemies", known, { apart: pair.apart })];
  return pair.apart ? [added("itemEnemies", { id: pairId(pair.itemId, pair.enemyId), ...pair })] : [];
}
