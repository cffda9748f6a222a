import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { classesById } from "@/db/queries/people";
import { assignmentById, type PartRow, partsOfWorks, pickedItemsOf, skillIdsOfPart, workById } from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import { demandClasses } from "@/server/access/subjects";
import { versionsOf } from "@/server/library/drawnItems";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { todayOf } from "@/server/runtime/school";
import type { TestItem } from "../testTypes";
import type { Again } from "../types";
import { classBeliefs, shownItems } from "./testItems";
import { keptCandidates } from "./testPicks";

/** Work that was given, as something new is put together from it: to be given once more, adapted, to others or on other days. */
export async function workAgain(context: Context, assignmentId: string): Promise<Again> {
  const { runtime } = context;
  const db = runtime.db.read;
  const work = await assignmentById(db, assignmentId);
  if (!work) throw new Refusal("not-found", "This work is not there any more.");
  const design = await workById(db, work.workId);
  // What a colleague of the school shares is given again by anybody of it; other work by whoever may see it.
  const isShared = design?.sharedAt != null && design.archivedAt === null && design.schoolId === context.actor.schoolId;
  if (!(isShared && context.actor.kind === "staff")) await demandClasses(context, "see", [work.classId]);
  const [parts, [ofClass], today] = await Promise.all([
    partsOfWorks(db, [work.workId]),
    classesById(db, [work.classId]),
    todayOf(runtime, context.actor.schoolId),
  ]);
  const first = mainOf(parts);
  if (!first) throw new Refusal("not-found", "There is nothing in this work.");
  const tests = parts.filter(({ kind }) => conductorOf(kind).standsWhole);
  const place = { classId: work.classId, grade: ofClass?.grade ?? 0, today, day: dayNumber(today) };
  const beliefs = await classBeliefs(runtime, place);
  const formsOf = async (part: PartRow) => {
    const placed = await pickedItemsOf(db, part.id, null);
    const versions = await versionsOf(
      runtime,
      placed.map(({ versionId }) => versionId),
    );
    const letters = [...new Set(placed.map(({ form }) => form))];
    return Promise.all(
      letters.map(async (letter) => {
        const own = placed.filter(({ form }) => form === letter);
        const picks = own.map(({ versionId, skillId, seed }) => ({
          itemId: versions.get(versionId)?.itemId ?? "",
          skillId,
          seed,
        }));
        const items = await shownItems(runtime, beliefs, await keptCandidates(context, picks));
        return items.map((item): { readonly item: TestItem; readonly points: number } => {
          const row = own.find(
            ({ seed, versionId }) => seed === item.seed && versions.get(versionId)?.itemId === item.itemId,
          );
          return { item, points: row?.points ?? item.points };
        });
      }),
    );
  };
  return {
    title: work.title,
    instructions: work.instructions,
    kind: (tests[0] ?? first).kind,
    picked: tests.length > 0 ? [] : (await formsOf(first)).flatMap((form) => form.map(({ item }) => item)),
    onPaper: tests.some(({ kind }) => conductorOf(kind).onPaper),
    isPair: tests.length > 1,
    settings: first.settings,
    skillIds: await skillIdsOfPart(db, first.id),
    forms: (await Promise.all(tests.map(formsOf))).flat(),
    cutPercent: work.cutPercent,
    release: work.release,
    retake: work.retake,
    opening: (tests[0] ?? first).opening,
    extras: await extrasOf(db, parts, tests[0] ?? first),
  };
}

/** Kinds that stand as parts beside the main thing. */
const EXTRA: readonly string[] = [
  "lesson",
  "practice",
  "amount",
  "sequential",
  "contrast",
] satisfies Again["extras"][number]["kind"][];

/** What a work is mainly: its first part that is no lesson to read before; its first part where all are. */
const mainOf = (parts: readonly PartRow[]): PartRow | undefined =>
  parts.find(({ kind }) => !conductorOf(kind).isRead) ?? parts[0];

/** Parts beside the main one, without what follows a test: that is set with the test. */
async function extrasOf(db: Queryable, parts: readonly PartRow[], main: PartRow): Promise<Again["extras"]> {
  const beside = parts.filter(({ id, kind, settings }) => id !== main.id && EXTRA.includes(kind) && !settings.missedIn);
  return Promise.all(
    beside.map(async ({ id, kind, settings, opening, place }) => ({
      kind: kind as Again["extras"][number]["kind"],
      skillIds: await skillIdsOfPart(db, id),
      items: settings.items,
      isBefore: place < main.place,
      opening,
    })),
  );
}
