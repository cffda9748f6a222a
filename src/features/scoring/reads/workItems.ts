import "server-only";
import { askedText } from "@/core/items/askedText";
import { currentVersions, itemsById } from "@/db/queries/items";
import { answeredInWork } from "@/db/queries/marks";
import { classesById } from "@/db/queries/people";
import { assignmentById, partsOfWorks, pickedItemsOf } from "@/db/queries/work";
import { bankSubject } from "@/server/access/bankSubject";
import { demandStaff } from "@/server/access/demand";
import { may } from "@/server/access/policy";
import { demandClasses } from "@/server/access/subjects";
import { drawerWith, versionsOf } from "@/server/library/drawnItems";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import type { WorkItemsView } from "../types";

/** The items of a test as they were given: how they went, and what can still be done about one that was wrong. */
export async function workItems(context: Context, assignmentId: string): Promise<WorkItemsView> {
  const { runtime } = context;
  const staff = demandStaff(context.actor);
  const db = runtime.db.read;
  const work = await assignmentById(db, assignmentId);
  if (!work || work.withdrawnAt !== null) throw new Refusal("not-found", "This work is not there, or was withdrawn.");
  await demandClasses(context, "change", [work.classId]);
  const parts = await partsOfWorks(db, [work.workId]);
  const placed = (
    await Promise.all(
      parts.map(async (part) => (await pickedItemsOf(db, part.id, null)).map((item) => ({ ...item, part }))),
    )
  ).flat();
  const [versions, answered, [own]] = await Promise.all([
    versionsOf(
      runtime,
      placed.map(({ versionId }) => versionId),
    ),
    answeredInWork(db, work.workId),
    classesById(db, [work.classId]),
  ]);
  const itemIds = [...new Set([...versions.values()].map(({ itemId }) => itemId))];
  const [current, items] = await Promise.all([currentVersions(db, itemIds), itemsById(db, itemIds)]);
  const mayChange = new Map(
    await Promise.all(
      [...new Set(items.map(({ bankId }) => bankId))].map(
        // What ships belongs to no bank, and nobody mends it here.
        async (bankId) =>
          [bankId, bankId !== null && may(staff, "change", await bankSubject(context, bankId, db))] as const,
      ),
    ),
  );
  const { draw } = drawerWith(runtime, versions);
  return {
    workId: work.id,
    title: work.title,
    className: own?.name ?? "",
    items: placed.map(({ id, part, form, place, versionId, seed, context: story, points }) => {
      const drawn = draw({ versionId, seed, context: story, optionOrder: null });
      const itemId = versions.get(versionId)?.itemId ?? "";
      const bankId = items.find((one) => one.id === itemId)?.bankId ?? null;
      const counts = answered.find((one) => one.versionId === versionId && one.seed === seed);
      return {
        id,
        itemId,
        part: parts.length > 1 ? part.title : "",
        form,
        place: place + 1,
        stem: askedText(drawn),
        key: drawn.parts.map(({ keyText }) => keyText).join("; "),
        dropped: points === 0,
        answered: counts?.answered ?? 0,
        right: counts?.right ?? 0,
        newerKey:
          mayChange.get(bankId) === true && current.some((one) => one.itemId === itemId && one.id !== versionId),
      };
    }),
  };
}
