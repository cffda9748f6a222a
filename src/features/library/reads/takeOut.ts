import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import type { ItemBody } from "@/core/items/itemBody";
import { itemLine } from "@/core/items/itemLine";
import { banksById } from "@/db/queries/banks";
import { itemIdsOfBank, namedStandardsOf, namedStandardsOfSkills, originalsOf } from "@/db/queries/itemExchange";
import { currentVersions, itemsById, skillRowsOf } from "@/db/queries/items";
import { currentWords } from "@/db/queries/passages";
import { rowOfItem } from "@/formats/exchange/rowOfItem";
import { isNarrowerElsewhere } from "@/formats/qti/kinds/qtiRooms";
import type { OutgoingItem } from "@/formats/qti/writePackage";
import { demandBank } from "@/server/access/bankSubject";
import { demandStaff } from "@/server/access/demand";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { cardKindWords } from "@/words/staff/itemWords";
import type { TakeOutQuery, TakeOutView } from "../exchangeTypes";

const MOST_ITEMS = 20_000;
const LINES_SHOWN = 12;
const TITLE_LETTERS = 90;

/** Items in use as they would go out, for whoever may use the bank of each, and what they are called together. */
export async function itemsToTakeOut(context: Context, { itemIds, bankId }: TakeOutQuery) {
  demandStaff(context.actor);
  const db = context.runtime.db.read;
  if (bankId !== null) await demandBank(context, "use", bankId, db);
  const wanted = bankId === null ? itemIds : (await itemIdsOfBank(db, bankId)).map(({ id }) => id);
  if (wanted.length > MOST_ITEMS)
    throw new Refusal("invalid", `Take out at most ${MOST_ITEMS.toLocaleString("en-GB")} items at once.`);
  const found = await itemsById(db, wanted);
  for (const id of new Set(found.map((item) => item.bankId))) await demandBank(context, "use", id, db);
  const ids = found.map(({ id }) => id);
  const [versions, skills, written] = await Promise.all([
    currentVersions(db, ids),
    skillRowsOf(db, ids),
    namedStandardsOf(db, ids),
  ]);
  const [ofSkills, originals, [bank]] = await Promise.all([
    namedStandardsOfSkills(db, [...new Set(skills.map(({ skillId }) => skillId))]),
    originalsOf(
      db,
      versions.map(({ id }) => id),
    ),
    banksById(db, bankId === null ? [] : [bankId]),
  ]);
  const words = await currentWords(
    db,
    versions.flatMap(({ passageId }) => passageId ?? []),
  );
  const passageOf = new Map(
    words.map(({ passageId: id, title, language, body }) => [id, { id, title, language, paragraphs: body }]),
  );
  const skillsByItem = groupBy(skills, ({ itemId }) => itemId);
  const writtenByItem = groupBy(written, ({ itemId }) => itemId);
  const standardsBySkill = groupBy(ofSkills, ({ skillId }) => skillId);
  const versionOf = new Map(versions.map((version) => [version.itemId, version]));
  const originalOf = new Map(originals.map(({ versionId, document }) => [versionId, document]));
  const items = wanted.flatMap((id): OutgoingItem[] => {
    const version = versionOf.get(id);
    if (!version) return [];
    const skillIds = (skillsByItem.get(id) ?? []).map(({ skillId }) => skillId);
    const standards = [
      ...skillIds.flatMap((skillId) => standardsBySkill.get(skillId) ?? []),
      ...(writtenByItem.get(id) ?? []),
    ].map(({ code, caseId }) => ({ code, caseId }));
    const body = version.body as ItemBody;
    return [
      {
        id,
        title: itemLine({ id: version.id, itemId: id, body }, TITLE_LETTERS),
        body,
        depth: version.depth,
        calculator: version.calculator,
        language: version.language,
        skillIds,
        standards: [...new Map(standards.map((one) => [one.code, one])).values()],
        passage: passageOf.get(version.passageId ?? "") ?? null,
        original: originalOf.get(version.id) ?? null,
      },
    ];
  });
  return { items, bank: bank ? { id: bank.id, name: bank.name } : null };
}

/** What a file of some items would hold, as a package and as a sheet. */
export async function takeOut(context: Context, query: TakeOutQuery): Promise<TakeOutView> {
  const { items, bank } = await itemsToTakeOut(context, query);
  const withoutRow = items.filter((item) => rowOfItem(item) === null);
  return {
    query: bank
      ? `bank=${encodeURIComponent(bank.id)}`
      : `items=${items.map(({ id }) => encodeURIComponent(id)).join("~")}`,
    bank,
    items: items.length,
    models: items.filter(({ body }) => Object.keys(body.parameters).length > 0).length,
    narrower: items.filter(({ body }) => body.parts.some(isNarrowerElsewhere)).length,
    rows: items.length - withoutRow.length,
    withoutRow: withoutRow.slice(0, LINES_SHOWN).map(({ id, title, body: { parts } }) => ({
      id,
      line: title,
      kind: cardKindWords(parts.length > 1 ? "several" : (parts[0]?.kind ?? "none")),
    })),
  };
}
