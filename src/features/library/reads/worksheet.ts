import "server-only";
import { createHash } from "node:crypto";
import { toDataURL } from "qrcode";
import { clashesAmong } from "@/core/items/clashesAmong";
import type { ItemVersion } from "@/core/items/itemBody";
import { lookedItem } from "@/core/items/lookOver";
import { sheetForms } from "@/core/items/sheetForms";
import { fullName } from "@/core/roster/fullName";
import { pairsAmong } from "@/db/queries/itemEnemies";
import { itemById } from "@/db/queries/itemSearch";
import { currentVersions, itemsById } from "@/db/queries/items";
import { studentsOfClasses } from "@/db/queries/people";
import { demandBank } from "@/server/access/bankSubject";
import { demandStaff } from "@/server/access/demand";
import { demandClasses, openClasses } from "@/server/access/subjects";
import { cardsMade } from "@/server/library/itemCards";
import { secondsFor } from "@/server/library/itemSeconds";
import { passagesOf } from "@/server/library/passages";
import { asVersion } from "@/server/library/shelf";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { todayOf } from "@/server/runtime/school";
import type { WorksheetView, WorksheetWishes } from "../worksheetTypes";

const CODE_LETTERS = 6;

/** Items as sheets of paper: in forms, one a student where a class is chosen, each with a code that says which it is. */
export async function worksheet(context: Context, wishes: WorksheetWishes): Promise<WorksheetView> {
  const staff = demandStaff(context.actor);
  const { runtime } = context;
  const db = runtime.db.read;
  if (wishes.classId !== null) await demandClasses(context, "see", [wishes.classId]);
  await cardsMade(runtime);
  const [items, current, cards, classes] = await Promise.all([
    itemsById(db, wishes.itemIds),
    currentVersions(db, wishes.itemIds),
    Promise.all(wishes.itemIds.map((id) => itemById(db, id))),
    openClasses(db, staff),
  ]);
  for (const bankId of new Set(items.map((item) => item.bankId))) await demandBank(context, "use", bankId, db);
  const versions = wishes.itemIds.flatMap((id): ItemVersion[] => {
    const found = current.find(({ itemId }) => itemId === id);
    return found ? [asVersion(found)] : [];
  });
  if (versions.length === 0)
    throw new Refusal("invalid", "There is no item to print. Gather some in the library first.");
  const passages = await passagesOf(runtime, versions);
  const forms = sheetForms(versions, wishes.forms, wishes.seed);
  const code = codeOf(versions, wishes);
  const people =
    wishes.classId === null
      ? []
      : await studentsOfClasses(db, [wishes.classId], await todayOf(runtime, staff.schoolId));
  const named = people
    .map(({ person }) => ({ id: person.id, name: fullName(person) }))
    .sort((one, other) => one.name.localeCompare(other.name));
  const wanted =
    named.length > 0
      ? named.map(({ id, name }, place) => ({ key: id, name, letter: forms[place % forms.length]?.letter ?? "A" }))
      : forms.map(({ letter }) => ({ key: letter, name: null, letter }));
  const sheets = await Promise.all(
    wanted.map(async (sheet) => ({
      ...sheet,
      qr: await toDataURL(`${code}-${sheet.letter}${sheet.name === null ? "" : ` ${sheet.key}`}`, {
        margin: 0,
        scale: 3,
      }),
    })),
  );
  const seconds = cards.reduce((sum, card) => sum + (card ? secondsFor(card) : 0), 0);
  return {
    code,
    forms: forms.map(({ letter, items: drawn }) => ({ letter, items: drawn.map(lookedItem) })),
    passages: versions.map(({ passageId }) => {
      const passage = passages.get(passageId ?? "");
      return passage && passageId ? { id: passageId, ...passage } : null;
    }),
    sheets,
    minutes: Math.max(1, Math.round(seconds / 60)),
    clashes: clashesAmong(
      versions.map(({ itemId }) => itemId),
      await pairsAmong(db, wishes.itemIds),
    ),
    leftOut: wishes.itemIds.length - versions.length,
    classes: classes.map(({ id, name }) => ({ id, name })),
  };
}

const codeOf = (versions: readonly ItemVersion[], { seed, forms }: WorksheetWishes): string =>
  createHash("sha256")
    .update(JSON.stringify([versions.map(({ id }) => id), seed, forms]))
    .digest("hex")
    .slice(0, CODE_LETTERS)
    .toUpperCase();
