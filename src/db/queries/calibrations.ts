import "server-only";
import { and, asc, desc, eq, isNotNull, isNull, lt, ne, or, sql } from "drizzle-orm";
import { alias } from "drizzle-orm/sqlite-core";
import type { Queryable } from "../queryable";
import { calibrations } from "../schema/calibrations";
import { itemCards } from "../schema/itemCards";
import { answers, scores, sittingItems, sittings } from "../schema/sittings";
import { supports } from "../schema/students";
import { assignments, assignmentTargets } from "../schema/work";
import { among } from "./people";

export type CalibrationRow = typeof calibrations.$inferSelect;

const ofBank = (bankId: string | null) =>
  bankId === null ? isNull(calibrations.bankId) : eq(calibrations.bankId, bankId);

/** The calibration of a bank, or of the stock, that was begun last. */
export async function latestCalibration(db: Queryable, bankId: string | null): Promise<CalibrationRow | null> {
  const [found] = await db
    .select()
    .from(calibrations)
    .where(ofBank(bankId))
    .orderBy(desc(calibrations.startedAt), desc(calibrations.id))
    .limit(1);
  return found ?? null;
}

export async function calibrationById(db: Queryable, id: string): Promise<CalibrationRow | null> {
  const [found] = await db.select().from(calibrations).where(eq(calibrations.id, id));
  return found ?? null;
}

export async function insertCalibration(tx: Queryable, row: typeof calibrations.$inferInsert): Promise<void> {
  await tx.insert(calibrations).values(row);
}

export async function updateCalibration(
  tx: Queryable,
  id: string,
  values: Partial<Omit<CalibrationRow, "id">>,
): Promise<void> {
  await tx.update(calibrations).set(values).where(eq(calibrations.id, id));
}

/** Forgets what was found before: answers can be read anew at any time. */
export async function dropCalibrationsBefore(tx: Queryable, bankId: string | null, startedAt: number): Promise<void> {
  await tx.delete(calibrations).where(and(ofBank(bankId), lt(calibrations.startedAt, startedAt)));
}

/** The items in use of a bank, or of the stock, that are scored by rule: each with the skill that it stands under and its line. */
export async function itemsInUse(db: Queryable, bankId: string | null) {
  return db
    .select({
      itemId: itemCards.itemId,
      versionId: itemCards.versionId,
      skillId: itemCards.skillId,
      line: itemCards.line,
    })
    .from(itemCards)
    .where(
      and(
        bankId === null ? isNull(itemCards.bankId) : eq(itemCards.bankId, bankId),
        eq(itemCards.status, "ready"),
        eq(itemCards.retired, false),
        isNotNull(itemCards.skillId),
        ne(itemCards.kind, "written"),
      ),
    )
    .orderBy(asc(itemCards.skillId), asc(itemCards.itemId));
}

/**
 * First tries without help at some versions, the latest first: whose run, when, and whether right as a whole. Scores that others took the place of
 * are left out, and so are trials.
 */
export async function firstTriesAt(db: Queryable, versionIds: readonly string[], most: number) {
  if (versionIds.length === 0) return [];
  const later = alias(scores, "later");
  return db
    .select({
      sittingId: sittingItems.sittingId,
      place: sittingItems.place,
      versionId: sittingItems.versionId,
      seed: sittingItems.seed,
      personId: answers.personId,
      givenAt: answers.givenAt,
      right: sql<number>`min(${scores.earned} = ${scores.possible})`,
    })
    .from(sittingItems)
    .innerJoin(answers, and(eq(answers.sittingItemId, sittingItems.id), eq(answers.tryNumber, 1)))
    .innerJoin(scores, eq(scores.answerSerial, answers.serial))
    .innerJoin(sittings, eq(sittings.id, sittingItems.sittingId))
    .innerJoin(assignmentTargets, eq(assignmentTargets.id, sittings.targetId))
    .innerJoin(assignments, eq(assignments.id, assignmentTargets.assignmentId))
    .leftJoin(later, eq(later.supersedes, scores.serial))
    .where(
      and(
        among(sittingItems.versionId, versionIds),
        eq(answers.hintsUsed, 0),
        eq(assignments.isTrial, false),
        isNull(later.serial),
      ),
    )
    .groupBy(answers.serial)
    .orderBy(desc(answers.serial))
    .limit(most);
}

/** Who of some students needs texts read aloud, or speaks another language at home. */
export async function withReadingNeeds(db: Queryable, personIds: readonly string[]): Promise<ReadonlySet<string>> {
  if (personIds.length === 0) return new Set();
  const rows = await db
    .select({ personId: supports.personId })
    .from(supports)
    .where(and(among(supports.personId, personIds), or(eq(supports.readAloud, true), ne(supports.homeLanguage, ""))));
  return new Set(rows.map(({ personId }) => personId));
}
