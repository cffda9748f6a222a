import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import { drawItem } from "@/core/items/drawItem";
import type { ItemBody, ItemVersion } from "@/core/items/itemBody";
import { itemLine } from "@/core/items/itemLine";
import { itemParameters } from "@/core/items/itemParameters";
import { searchText } from "@/core/items/itemTexts";
import { isStorageFailure } from "@/db/errorKind";
import {
  codesOfSkills,
  type ItemCardRow,
  itemsWithoutCard,
  putCards,
  skillsOfItems,
  standardsOfItems,
} from "@/db/queries/itemCards";
import { parametersInForce } from "@/db/queries/library";
import { currentWords } from "@/db/queries/passages";
import { LIBRARY_TABLES, stateOfTables } from "@/db/queries/tableRevisions";
import { kept } from "@/server/runtime/kept";
import type { Runtime } from "@/server/runtime/runtime";
import { libraryOf } from "./library";
import { asVersion } from "./shelf";

/** Cards made between two turns of the writer. */
const AT_ONCE = 60;
const LINE_LETTERS = 160;

const made = kept([...LIBRARY_TABLES], makeCards, 1);

/** Goes on once every item has its card: what changed since the last search is made anew. */
export async function cardsMade(runtime: Runtime): Promise<void> {
  try {
    await made(runtime, "");
  } catch (error) {
    // While nothing can be written, what has its card is found all the same.
    if (!isStorageFailure(error)) throw error;
  }
}

async function makeCards(runtime: Runtime): Promise<void> {
  for (let before = ""; ; ) {
    const state = await stateOfTables(runtime.db.read, LIBRARY_TABLES);
    const missing = await itemsWithoutCard(runtime.db.read, AT_ONCE);
    const round = `${state} ${missing.map(({ item }) => item.id).join()}`;
    // Where nothing came of the last round, nothing would come of another: the search goes on with what there is.
    if (missing.length === 0 || round === before) return;
    before = round;
    const cards = await cardsOf(runtime, missing);
    await runtime.db.write(async (tx) => {
      // Whatever was written meanwhile may be about these items: then they are read anew.
      if ((await stateOfTables(tx, LIBRARY_TABLES)) !== state) return;
      const open = new Set((await itemsWithoutCard(tx, AT_ONCE)).map(({ item }) => item.id));
      await putCards(
        tx,
        cards.filter(({ card }) => open.has(card.itemId)),
      );
    });
  }
}

type Missing = Awaited<ReturnType<typeof itemsWithoutCard>>[number];

async function cardsOf(runtime: Runtime, missing: readonly Missing[]) {
  const db = runtime.db.read;
  const itemIds = missing.map(({ item }) => item.id);
  const [library, skills, standards] = await Promise.all([
    libraryOf(runtime),
    skillsOfItems(db, itemIds),
    standardsOfItems(db, itemIds),
  ]);
  const [codes, estimates] = await Promise.all([
    codesOfSkills(db, [...new Set(skills.map(({ skillId }) => skillId))]),
    parametersInForce(
      db,
      missing.map(({ version }) => version.id),
      runtime.now(),
    ),
  ]);
  const passages = await currentWords(
    db,
    missing.flatMap(({ version }) => version.passageId ?? []),
  );
  const titles = new Map(passages.map(({ passageId, title, topic }) => [passageId, `${title} ${topic}`]));
  const skillsByItem = groupBy(skills, ({ itemId }) => itemId);
  const standardsByItem = groupBy(standards, ({ itemId }) => itemId);
  const codesBySkill = groupBy(codes, ({ skillId }) => skillId);
  return missing.map(({ item, version }) => {
    const skillIds = version.alignment?.skillIds ?? (skillsByItem.get(item.id) ?? []).map(({ skillId }) => skillId);
    const own = skillIds.flatMap((skillId) => library.skills.filter(({ id }) => id === skillId));
    const [first] = own;
    const written = standardsByItem.get(item.id) ?? [];
    const body = version.body as ItemBody;
    const estimate = estimates.find(({ versionId }) => versionId === version.id);
    const figures = estimate
      ? { a: estimate.a, b: (first?.difficulty ?? 0) + estimate.b }
      : first
        ? byRule(asVersion(version), first.difficulty)
        : null;
    const [part, another] = body.parts ?? [];
    const card: Omit<ItemCardRow, "number"> = {
      itemId: item.id,
      versionId: version.id,
      bankId: item.bankId,
      status: version.status,
      retired: item.retiredAt !== null,
      skillId: first?.id ?? null,
      strand: first?.strand ?? null,
      grade: first?.grade ?? written[0]?.gradeLow ?? null,
      kind: another ? "several" : (part?.kind ?? "none"),
      model: Object.keys(body.parameters ?? {}).length > 0,
      passageId: version.passageId,
      depth: version.depth,
      language: version.language,
      authorId: version.authorId ?? item.authorId,
      addedAt: version.createdAt,
      difficulty: figures?.b ?? null,
      discrimination: figures?.a ?? null,
      calibrated: estimate?.source === "calibrated",
      line: itemLine(asVersion(version), LINE_LETTERS),
    };
    const words = [
      searchText(body),
      ...own.flatMap(({ id, name }) => [name, ...(codesBySkill.get(id) ?? []).map(({ code }) => code)]),
      ...written.map(({ code }) => code),
      titles.get(version.passageId ?? "") ?? "",
    ];
    return { card, words: words.join(" ") };
  });
}

/** What a draft has not got yet stays unsaid. */
function byRule(version: ItemVersion, difficulty: number): { readonly a: number; readonly b: number } | null {
  try {
    return itemParameters(version.body, drawItem(version, 0).values, difficulty);
  } catch {
    return null;
  }
}
