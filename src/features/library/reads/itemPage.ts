import "server-only";
import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import { drawItem } from "@/core/items/drawItem";
import type { ItemVersion } from "@/core/items/itemBody";
import { type LookedItem, lookedItem } from "@/core/items/lookOver";
import { standardsOfItems } from "@/db/queries/itemCards";
import { enemiesOf } from "@/db/queries/itemEnemies";
import { itemById } from "@/db/queries/itemSearch";
import { itemsById, skillRowsOf, studentsByVersion, versionsOfItem } from "@/db/queries/items";
import { currentWords } from "@/db/queries/passages";
import { demandBank, openBanks } from "@/server/access/bankSubject";
import { demandStaff } from "@/server/access/demand";
import { cardsMade } from "@/server/library/itemCards";
import { libraryOf } from "@/server/library/library";
import { asVersion } from "@/server/library/shelf";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { schoolOf } from "@/server/runtime/school";
import type { ItemPageView } from "../itemTypes";
import { lineOf, namesOf } from "./finder";

/** An item as a student sees one draw of it, with everything that is known of it; of the version asked for, or else the current one. */
export async function itemPage(
  context: Context,
  itemId: string,
  { seed, versionId }: { readonly seed: number; readonly versionId: string | null },
): Promise<ItemPageView> {
  const staff = demandStaff(context.actor);
  const { runtime } = context;
  const db = runtime.db.read;
  const [item] = await itemsById(db, [itemId]);
  await demandBank(context, "use", item ? item.bankId : "", db);
  await cardsMade(runtime);
  const [card, versions, library, open, skillRows, standards, school] = await Promise.all([
    itemById(db, itemId),
    versionsOfItem(db, itemId),
    libraryOf(runtime),
    openBanks(context, staff),
    skillRowsOf(db, [itemId]),
    standardsOfItems(db, [itemId]),
    schoolOf(runtime, staff.schoolId),
  ]);
  const asked = versions.find(({ version }) => version.id === (versionId ?? card?.versionId))?.version;
  if (!item || !card || !asked) throw new Refusal("not-found", "This item is not in the library.");
  const authors = await namesOf(context, new Set(card.authorId === null ? [] : [card.authorId]));
  const line = lineOf(card, { library, open, authors, titles: new Map() });
  // A draft is seen by those who may change it; everybody else is shown what is in use.
  if (asked.status === "draft" && !line.mayChange) throw new Refusal("not-found", "This item is not in use yet.");
  const students = new Map(
    (
      await studentsByVersion(
        db,
        versions.map(({ version }) => version.id),
      )
    ).map((row) => [row.versionId, row.students]),
  );
  const cards = await Promise.all((await enemiesOf(db, itemId)).map((id) => itemById(db, id)));
  const enemies = cards.filter((enemy) => enemy !== null);
  const [passage] = await currentWords(db, asked.passageId === null ? [] : [asked.passageId]);
  const looked = drawnOrNull(asVersion(asked), seed);
  const skillIds = asked.alignment?.skillIds ?? skillRows.map(({ skillId }) => skillId);
  return {
    ...line,
    looked,
    passage: passage?.title ?? "",
    passageText: passage ? { id: passage.passageId, title: passage.title, paragraphs: passage.body } : null,
    mistakes: (looked?.mistakes ?? []).map(({ words, misconceptionId }) => ({
      words,
      name: library.misconceptionName(misconceptionId),
    })),
    skills: skillIds.flatMap((id) =>
      library
        .skillsAt(staff.schoolId)
        .filter((skill) => skill.id === id)
        .map((skill) => ({ id, name: skill.name, codes: skill.standards.map(({ code }) => code) })),
    ),
    standards: standards.map(({ code, statement }) => ({ code, statement })),
    language: asked.language,
    calculator: asked.calculator,
    isRetired: item.retiredAt !== null,
    enemies: enemies.flatMap((enemy) => {
      const bank = open.find((one) => one.bank.id === enemy.bankId);
      // Of a bank that is closed to the reader nothing is told.
      if (enemy.bankId !== null && !bank) return [];
      return [{ id: enemy.itemId, line: enemy.line, mayChange: line.mayChange || (bank?.mayChange ?? false) }];
    }),
    difficulty: card.difficulty,
    discrimination: card.discrimination,
    versions: versions
      .filter(({ version }) => version.status === "ready" || line.mayChange)
      .map(({ version, givenName, familyName }) => ({
        id: version.id,
        number: version.number,
        isDraft: version.status === "draft",
        by: givenName === null ? "Oxbow" : `${givenName} ${familyName}`,
        when: format(new TZDate(version.createdAt, school.timeZone), "d MMM yyyy, HH:mm"),
        students: students.get(version.id) ?? 0,
        isShown: version.id === asked.id,
      })),
    ownBanks: open.filter(({ mayChange }) => mayChange).map(({ bank: { id, name } }) => ({ id, name })),
  };
}

function drawnOrNull(version: ItemVersion, seed: number): LookedItem | null {
  try {
    return lookedItem(drawItem(version, seed));
  } catch {
    return null;
  }
}
