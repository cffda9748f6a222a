import "server-only";
import type { ItemBody } from "@/core/items/itemBody";
import type { WorkKind } from "@/core/model/work";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { currentVersions, itemsById, skillRowsOf } from "@/db/queries/items";
import { demandBank } from "@/server/access/bankSubject";
import type { PlacedItem } from "@/server/classroom/workRows";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import type { DrawInput } from "./giveInput";

/** The draws that were picked, as rows hold them; of any bank that the giver may use, as their current versions stand. */
export async function placedItems(
  context: Context,
  kind: WorkKind,
  skillIds: readonly string[],
  picked: readonly DrawInput[],
): Promise<PlacedItem[]> {
  if (picked.length === 0) return [];
  if (!conductorOf(kind).pickable)
    throw new Refusal("invalid", "Items can be picked by hand only for a fixed number of items, or for a test.");
  const db = context.runtime.db.read;
  const ids = [...new Set(picked.map(({ itemId }) => itemId))];
  const [items, versions, skills] = await Promise.all([
    itemsById(db, ids),
    currentVersions(db, ids),
    skillRowsOf(db, ids),
  ]);
  for (const bankId of new Set(items.map((item) => item.bankId))) await demandBank(context, "use", bankId, db);
  return picked.map(({ itemId, skillId, seed, points, form }) => {
    const version = versions.find((one) => one.itemId === itemId);
    const item = items.find(({ id }) => id === itemId);
    if (item?.retiredAt != null)
      throw new Refusal("invalid", "An item was retired since it was chosen. Take it out, or swap it for another.");
    const isOfSkill = skills.some((row) => row.itemId === itemId && row.skillId === skillId);
    if (!version || !item || !isOfSkill || !skillIds.includes(skillId))
      throw new Refusal("invalid", "A picked item is not in the library any more, or belongs to none of these skills.");
    const contexts = Object.keys((version.body as ItemBody).contexts);
    return { versionId: version.id, skillId, seed, context: contexts[seed % contexts.length] ?? "", points, form };
  });
}
