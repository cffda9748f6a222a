import "server-only";
import { toDataURL } from "qrcode";
import type { ItemVersion } from "@/core/items/itemBody";
import { lookedItem } from "@/core/items/lookOver";
import { fullName } from "@/core/roster/fullName";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { itemById } from "@/db/queries/itemSearch";
import { assignmentById, partsOfWorks, pickedItemsOf, targetsWithSittings } from "@/db/queries/work";
import { demandClasses } from "@/server/access/subjects";
import { drawerWith, versionsOf } from "@/server/library/drawnItems";
import { cardsMade } from "@/server/library/itemCards";
import { secondsFor } from "@/server/library/itemSeconds";
import { passagesOf } from "@/server/library/passages";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import type { WorksheetView } from "../worksheetTypes";

const CODE_LETTERS = 6;

/** A test on paper as it was given: its items as they were drawn, a sheet for each student with a code that names both. */
export async function worksheetOfWork(context: Context, assignmentId: string): Promise<WorksheetView> {
  const { runtime } = context;
  const db = runtime.db.read;
  const work = await assignmentById(db, assignmentId);
  if (!work || work.withdrawnAt !== null) throw new Refusal("not-found", "This work is not there, or was withdrawn.");
  await demandClasses(context, "see", [work.classId]);
  const parts = await partsOfWorks(db, [work.workId]);
  const part = parts.find(({ kind }) => conductorOf(kind).onPaper) ?? parts[0];
  const [placed, targets] = await Promise.all([
    part ? pickedItemsOf(db, part.id, null) : [],
    targetsWithSittings(db, [assignmentId]),
  ]);
  if (placed.length === 0)
    throw new Refusal("invalid", "The items of this work are drawn for each student on the screen.");
  const versions = await versionsOf(
    runtime,
    placed.map(({ versionId }) => versionId),
  );
  const { draw } = drawerWith(runtime, versions);
  const letters = [...new Set(placed.map(({ form }) => form))].sort();
  const first = placed.filter(({ form }) => form === letters[0]);
  const own = first.flatMap(({ versionId }): ItemVersion[] => {
    const found = versions.get(versionId);
    return found ? [found] : [];
  });
  await cardsMade(runtime);
  const [passages, cards] = await Promise.all([
    passagesOf(runtime, own),
    Promise.all(own.map(({ itemId }) => itemById(db, itemId))),
  ]);
  return {
    code: assignmentId.replaceAll("-", "").slice(-CODE_LETTERS).toUpperCase(),
    forms: letters.map((letter) => ({
      letter,
      items: placed
        .filter(({ form }) => form === letter)
        .map((item) => lookedItem(draw({ ...item, optionOrder: null }))),
    })),
    passages: own.map(({ passageId }) => {
      const passage = passages.get(passageId ?? "");
      return passage && passageId ? { id: passageId, ...passage } : null;
    }),
    sheets: await Promise.all(
      targets.map(async ({ person, target }) => ({
        key: person.id,
        name: fullName(person),
        letter: target.form,
        qr: await toDataURL(`${assignmentId} ${person.id}`, { margin: 0, scale: 3 }),
      })),
    ),
    minutes: Math.max(1, Math.round(cards.reduce((sum, card) => sum + (card ? secondsFor(card) : 0), 0) / 60)),
    clashes: [],
    leftOut: 0,
    classes: [],
  };
}
