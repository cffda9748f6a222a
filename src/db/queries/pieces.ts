import "server-only";
import { and, asc, eq, getTableColumns, isNotNull, ne } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { itemVersions } from "../schema/items";
import { answers, scores, sittingItems, sittings } from "../schema/sittings";
import { assignmentTargets } from "../schema/work";
import { isCurrent } from "./answerLog";
import { among } from "./people";

/**
 * Every item that some students were shown in the first run at a part, with the first answer to it: null where it was left open or
 * set aside. Items held in reserve were not shown.
 */
export async function shownInPart(db: Queryable, partId: string, targetIds: readonly string[]) {
  if (targetIds.length === 0) return [];
  const { optionOrder, seed, context, versionId, skillId, place, earned, possible, points, tries, hints, setAside } =
    getTableColumns(sittingItems);
  return db
    .select({
      id: sittingItems.id,
      targetId: sittings.targetId,
      personId: assignmentTargets.personId,
      sittingId: sittings.id,
      place,
      skillId,
      versionId,
      itemId: itemVersions.itemId,
      seed,
      context,
      optionOrder,
      earned,
      possible,
      points,
      tries,
      hints,
      setAside,
      response: answers.response,
      milliseconds: answers.milliseconds,
      answeredAt: answers.givenAt,
    })
    .from(sittings)
    .innerJoin(assignmentTargets, eq(assignmentTargets.id, sittings.targetId))
    .innerJoin(sittingItems, and(eq(sittingItems.sittingId, sittings.id), ne(sittingItems.state, "reserve")))
    .innerJoin(itemVersions, eq(itemVersions.id, sittingItems.versionId))
    .leftJoin(answers, and(eq(answers.sittingItemId, sittingItems.id), eq(answers.tryNumber, 1)))
    .where(and(among(sittings.targetId, targetIds), eq(sittings.partId, partId), eq(sittings.attempt, 1)))
    .orderBy(asc(sittingItems.sittingId), asc(sittingItems.place));
}
export type ShownRow = Awaited<ReturnType<typeof shownInPart>>[number];

/** The known mistakes that first answers to some shown items were, by scores in force. */
export async function mistakesShown(db: Queryable, sittingItemIds: readonly string[]) {
  if (sittingItemIds.length === 0) return [];
  return db
    .select({ sittingItemId: answers.sittingItemId, misconceptionId: scores.misconceptionId })
    .from(answers)
    .innerJoin(scores, eq(scores.answerSerial, answers.serial))
    .where(
      and(
        among(answers.sittingItemId, sittingItemIds),
        eq(answers.tryNumber, 1),
        isNotNull(scores.misconceptionId),
        isCurrent,
      ),
    );
}
