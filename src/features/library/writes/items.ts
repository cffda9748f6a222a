import "server-only";
import { array, object, string } from "yup";
import type { NamedFacts } from "@/core/model/changeFacts";
import { banksById } from "@/db/queries/banks";
import {
  currentVersions,
  deleteDraft,
  type ItemRow,
  isGiven,
  itemsById,
  skillRowsOf,
  standardRowsOf,
  versionsOfItem,
} from "@/db/queries/items";
import { added, changed } from "@/db/queries/rowChanges";
import type { Queryable } from "@/db/queryable";
import type { RowChange } from "@/db/schema/history";
import { demandBank } from "@/server/access/bankSubject";
import { demandStaff } from "@/server/access/demand";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";

const MOST_ITEMS = 200;
const itemIds = array(string().required())
  .min(1, "Choose at least one item.")
  .max(MOST_ITEMS, `Choose at most ${MOST_ITEMS} items.`)
  .required();
const some = object({ itemIds });
const into = object({ itemIds, bankId: string().required("Choose a bank.") });

type Done = Promise<{ changeId: string }>;

/** The items, for whoever may do this with the bank of each. */
async function itemsFor(
  tx: Queryable,
  context: Context,
  ids: readonly string[],
  verb: "use" | "change",
): Promise<ItemRow[]> {
  const wanted = [...new Set(ids)];
  const found = await itemsById(tx, wanted);
  for (const bankId of new Set(found.map((item) => item.bankId))) await demandBank(context, verb, bankId, tx);
  if (found.length < wanted.length)
    throw new Refusal("not-found", "Some of these items are not in the library any more. Search again.");
  return found;
}

const record = (
  tx: Queryable,
  context: Context,
  bankIds: readonly (string | null)[],
  told: NamedFacts,
  rows: readonly RowChange[],
) => {
  const subjectIds = [...new Set(bankIds.filter((id) => id !== null))];
  return recordChange(tx, context, { ...told, classId: null, subjectIds, rows });
};

async function nameOf(tx: Queryable, bankId: string | null): Promise<string> {
  return bankId === null ? "" : ((await banksById(tx, [bankId]))[0]?.name ?? "");
}

/** Moves items to another bank. */
export async function moveItems(context: Context, raw: unknown): Done {
  const { itemIds: ids, bankId } = validated(into, raw);
  return context.runtime.db.write(async (tx) => {
    const found = await itemsFor(tx, context, ids, "change");
    await demandBank(context, "change", bankId, tx);
    const rows = found.filter((item) => item.bankId !== bankId).map((item) => changed("items", item, { bankId }));
    if (rows.length === 0) throw new Refusal("conflict", "They are there already; nothing was changed.");
    const facts = {
      items: rows.length,
      from: await nameOf(tx, found[0]?.bankId ?? null),
      to: await nameOf(tx, bankId),
    };
    const banks = [...found.map((item) => item.bankId), bankId];
    return { changeId: await record(tx, context, banks, { kind: "items-moved", facts }, rows) };
  });
}

/** Copies items in use into a bank of one's own, to be changed there; the copies are in use at once. */
export async function copyItems(context: Context, raw: unknown): Promise<{ changeId: string; itemIds: string[] }> {
  const staff = demandStaff(context.actor);
  const { itemIds: ids, bankId } = validated(into, raw);
  const { runtime } = context;
  return runtime.db.write(async (tx) => {
    const found = await itemsFor(tx, context, ids, "use");
    await demandBank(context, "change", bankId, tx);
    const [versions, skills, standards] = await Promise.all([
      currentVersions(tx, ids),
      skillRowsOf(tx, ids),
      standardRowsOf(tx, ids),
    ]);
    const copies: string[] = [];
    const rows = found.flatMap(({ id }): RowChange[] => {
      const version = versions.find(({ itemId }) => itemId === id);
      if (!version) return [];
      const itemId = runtime.newId();
      copies.push(itemId);
      return [
        added("items", { id: itemId, bankId, authorId: staff.personId }),
        added("itemVersions", {
          ...version,
          id: `${itemId}@1`,
          itemId,
          number: 1,
          alignment: null,
          authorId: staff.personId,
          createdAt: runtime.now(),
        }),
        ...skills
          .filter((row) => row.itemId === id)
          .map((row) => added("itemSkills", { ...row, id: `${itemId}/${row.skillId}`, itemId })),
        ...standards
          .filter((row) => row.itemId === id)
          .map((row) => added("itemStandards", { ...row, id: `${itemId}/${row.standardId}`, itemId })),
      ];
    });
    if (copies.length === 0) throw new Refusal("invalid", "Only items in use can be copied, and none of these is.");
    const facts = { items: copies.length, to: await nameOf(tx, bankId) };
    return { changeId: await record(tx, context, [bankId], { kind: "items-copied", facts }, rows), itemIds: copies };
  });
}

const retire = (isBack: boolean) => (context: Context, raw: unknown) => retireOrBringBack(context, raw, isBack);
/** Retires items: nobody is given them any more, and what was answered stays. */
export const retireItems = retire(false);
/** Brings retired items back into use. */
export const bringItemsBack = retire(true);

async function retireOrBringBack(context: Context, raw: unknown, isBack: boolean): Done {
  const { itemIds: ids } = validated(some, raw);
  const { runtime } = context;
  return runtime.db.write(async (tx) => {
    const found = await itemsFor(tx, context, ids, "change");
    const rows = found
      .filter(({ retiredAt }) => (retiredAt !== null) === isBack)
      .map((item) => changed("items", item, { retiredAt: isBack ? null : runtime.now() }));
    if (rows.length === 0) throw new Refusal("conflict", "Nothing was changed: that is so already.");
    const told: NamedFacts = {
      kind: isBack ? "items-brought-back" : "items-retired",
      facts: { items: rows.length },
    };
    return {
      changeId: await record(
        tx,
        context,
        found.map(({ bankId }) => bankId),
        told,
        rows,
      ),
    };
  });
}

/** Throws a draft away that nobody was given: the item is what it was before, or gone when it was nothing but a draft. */
export async function dropDraft(context: Context, raw: unknown): Promise<{ isGone: boolean }> {
  const { itemId } = validated(object({ itemId: string().required() }), raw);
  return context.runtime.db.write(async (tx) => {
    await itemsFor(tx, context, [itemId], "change");
    const versions = await versionsOfItem(tx, itemId);
    const [latest] = versions;
    if (latest?.version.status !== "draft" || (await isGiven(tx, latest.version.id)))
      throw new Refusal("conflict", "There is no draft to throw away.");
    await deleteDraft(tx, latest.version.id, itemId);
    return { isGone: versions.length === 1 };
  });
}
