import "server-only";
import { and, asc, count, desc, eq, gt, gte, inArray, isNull, lt, ne, or, type SQL, sql } from "drizzle-orm";
import { alias } from "drizzle-orm/sqlite-core";
import type { ChangeArea } from "@/core/model/changeArea";
import type { ChangeKind, NamedFacts } from "@/core/model/changeFacts";
import type { SignInKind } from "@/core/model/signInKind";
import type { Queryable } from "../queryable";
import { changeRows, changeSubjects, changes, type RowChange, revisions, signIns } from "../schema/history";
import { people } from "../schema/people";

export type ChangeRow = typeof changes.$inferSelect;
export type SignInRow = typeof signIns.$inferSelect;

/** What an entry says, by its kind. The kind and its facts were written together, so they belong to each other. */
export const factsOf = ({ kind, facts }: Pick<ChangeRow, "kind" | "facts">): NamedFacts =>
  ({ kind, facts }) as NamedFacts;

/** Row changes in one piece; larger entries are cut up. */
export const ROWS_A_PIECE = 500;
const SUBJECTS_AT_ONCE = 200;

/** Adds an entry with what it is about and what it changed. */
export async function insertChange(
  tx: Queryable,
  change: typeof changes.$inferInsert,
  subjectIds: readonly string[],
  rows: readonly RowChange[],
): Promise<void> {
  await tx.insert(changes).values(change);
  if (OF_THE_ROSTER.includes(change.area)) await countRosterChange(tx, change.schoolId);
  const subjects = [...new Set(subjectIds)].map((subjectId, place) => ({
    id: `${change.id}-${place}`,
    changeId: change.id,
    subjectId,
  }));
  for (let at = 0; at < subjects.length; at += SUBJECTS_AT_ONCE)
    await tx.insert(changeSubjects).values(subjects.slice(at, at + SUBJECTS_AT_ONCE));
  for (const [place, piece] of piecesOf(rows).entries()) await insertPiece(tx, change.id, place, piece);
}

/** The rows of a change in pieces, as they are kept. */
export function piecesOf(rows: readonly RowChange[]): RowChange[][] {
  const pieces: RowChange[][] = [];
  for (let at = 0; at < rows.length; at += ROWS_A_PIECE) pieces.push(rows.slice(at, at + ROWS_A_PIECE));
  return pieces;
}

/** Adds a piece of what an entry changed. */
export async function insertPiece(
  tx: Queryable,
  changeId: string,
  place: number,
  rows: readonly RowChange[],
): Promise<void> {
  await tx.insert(changeRows).values({ id: `${changeId}-${place}`, changeId, place, rows: [...rows] });
}

/** One piece of what an entry changed. */
export async function rowsOfPiece(db: Queryable, changeId: string, place: number): Promise<RowChange[]> {
  const [piece] = await db
    .select({ rows: changeRows.rows })
    .from(changeRows)
    .where(and(eq(changeRows.changeId, changeId), eq(changeRows.place, place)));
  return piece?.rows ?? [];
}

/** In how many pieces an entry's rows are kept. */
export async function pieceCount(db: Queryable, changeId: string): Promise<number> {
  const [row] = await db.select({ pieces: count() }).from(changeRows).where(eq(changeRows.changeId, changeId));
  return row?.pieces ?? 0;
}

/** Says that what a roster file may change is another than before. */
export async function countRosterChange(tx: Queryable, schoolId: string): Promise<void> {
  await tx
    .insert(revisions)
    .values({ id: rosterRevision(schoolId), number: 1 })
    .onConflictDoUpdate({ target: revisions.id, set: { number: sql`${revisions.number} + 1` } });
}

export async function changeById(db: Queryable, id: string): Promise<ChangeRow | null> {
  const [change] = await db.select().from(changes).where(eq(changes.id, id));
  return change ?? null;
}

export async function rowsOfChange(db: Queryable, id: string): Promise<RowChange[]> {
  const pieces = await db
    .select({ rows: changeRows.rows })
    .from(changeRows)
    .where(eq(changeRows.changeId, id))
    .orderBy(asc(changeRows.place));
  return pieces.flatMap(({ rows }) => rows);
}

/** Ids of all rows that entries of some schools wrote since an instant. */
export async function rowsWrittenSince(
  db: Queryable,
  schoolIds: readonly string[],
  since: number,
): Promise<Set<string>> {
  const pieces = await db
    .select({ rows: changeRows.rows })
    .from(changeRows)
    .innerJoin(changes, eq(changes.id, changeRows.changeId))
    .where(and(inArray(changes.schoolId, [...schoolIds]), gte(changes.at, since)));
  return new Set(pieces.flatMap(({ rows }) => rows.map(({ id }) => id)));
}

/** What the entries are about, by entry. */
export async function subjectsOfChanges(db: Queryable, ids: readonly string[]): Promise<ReadonlyMap<string, string[]>> {
  const rows = await db
    .select()
    .from(changeSubjects)
    .where(inArray(changeSubjects.changeId, [...ids]));
  const byChange = new Map<string, string[]>();
  for (const { changeId, subjectId } of rows) byChange.set(changeId, [...(byChange.get(changeId) ?? []), subjectId]);
  return byChange;
}

/** Whether some entry took this one back. */
export async function wasUndone(db: Queryable, id: string): Promise<boolean> {
  const found = await db.select({ id: changes.id }).from(changes).where(eq(changes.undoes, id)).limit(1);
  return found.length > 0;
}

const rosterRevision = (schoolId: string) => `roster:${schoolId}`;
/** Entries of these areas may change what a roster file would do. */
const OF_THE_ROSTER: readonly ChangeArea[] = ["roster", "groups", "supports", "privacy"];

/**
 * A word for the state of what a roster file may change: when it is another than before, the roster may have changed. One row a
 * school, whatever the length of its history; counted, because a clock that was set back would hide an entry.
 */
export async function rosterVersion(db: Queryable, schoolIds: readonly string[]): Promise<string> {
  const rows = await db
    .select()
    .from(revisions)
    .where(inArray(revisions.id, schoolIds.map(rosterRevision)))
    .orderBy(asc(revisions.id));
  return rows.map(({ id, number }) => `${id}@${number}`).join(" ");
}

/** The first later entry that wrote a row and was not taken back; null when no entry did. */
export async function laterChangeOf(db: Queryable, change: ChangeRow, rowId: string): Promise<ChangeRow | null> {
  const undo = alias(changes, "undo");
  const [found] = await db
    .select({ change: changes })
    .from(changes)
    .innerJoin(changeRows, eq(changeRows.changeId, changes.id))
    .leftJoin(undo, eq(undo.undoes, changes.id))
    .where(
      and(
        eq(changes.schoolId, change.schoolId),
        gt(changes.id, change.id),
        isNull(undo.id),
        sql`instr(${changeRows.rows}, ${`"id":${JSON.stringify(rowId)}`}) > 0`,
      ),
    )
    .orderBy(asc(changes.id))
    .limit(1);
  return found?.change ?? null;
}

/** Adds to the comings and goings at the doors. */
export async function insertSignIn(tx: Queryable, row: SignInRow): Promise<void> {
  await tx.insert(signIns).values(row);
}

/** A word to be found, with what is known of it before the entries are looked through. */
export interface FindWord<Kind> {
  readonly word: string;
  /** Kinds that say it whatever their facts are. */
  readonly kinds: readonly Kind[];
}

/** What both lists are looked through by: every word has to be found, or a person of the whole phrase. */
interface Phrase<Kind> {
  readonly words: readonly FindWord<Kind>[];
  readonly personIds: readonly string[];
}

export interface EntrySearch extends Phrase<ChangeKind> {
  /** Entries of these classes, or, when null, of the whole school. */
  readonly classIds: readonly string[] | null;
  readonly schoolIds: readonly string[];
  readonly areas: readonly ChangeArea[];
  /** Older than this entry. */
  readonly before: string | null;
  readonly limit: number;
}

/** Texts of facts, but no ids of people; the whole is looked at first, since taking facts apart costs many times as much. */
const saysInFacts = (word: string) =>
  sql`instr(lower(${changes.facts}), ${JSON.stringify(word.toLowerCase()).slice(1, -1)}) > 0 and exists (select 1 from json_tree(${changes.facts}) fact where fact.type in ('text', 'integer') and fact.fullkey not like '%.person%' and instr(lower(fact.atom), ${word.toLowerCase()}) > 0)`;

/** Entries of the history, the newest first. */
export async function searchEntries(db: Queryable, search: EntrySearch) {
  const undo = alias(changes, "undo");
  const about = (ids: readonly string[]) =>
    inArray(
      changes.id,
      db
        .select({ id: changeSubjects.changeId })
        .from(changeSubjects)
        .where(inArray(changeSubjects.subjectId, [...ids])),
    );
  const said = search.words.map(({ word, kinds }) => or(saysInFacts(word), inArray(changes.kind, [...kinds])));
  const conditions: (SQL | undefined)[] = [
    inArray(changes.schoolId, [...search.schoolIds]),
    search.classIds === null ? undefined : or(inArray(changes.classId, [...search.classIds]), about(search.classIds)),
    search.areas.length > 0 ? inArray(changes.area, [...search.areas]) : undefined,
    search.words.length === 0
      ? undefined
      : or(and(...said), inArray(changes.actorId, [...search.personIds]), about(search.personIds)),
    search.before === null ? undefined : lt(changes.id, search.before),
    ne(changes.kind, "undone"),
  ];
  return db
    .select({
      id: changes.id,
      at: changes.at,
      area: changes.area,
      kind: changes.kind,
      facts: changes.facts,
      classId: changes.classId,
      schoolId: changes.schoolId,
      actorId: changes.actorId,
      undoable: changes.undoable,
      undoneAt: undo.at,
      undoneBy: undo.actorId,
    })
    .from(changes)
    .leftJoin(undo, eq(undo.undoes, changes.id))
    .where(and(...conditions))
    .orderBy(desc(changes.id))
    .limit(search.limit);
}

export interface SignInSearch extends Phrase<SignInKind> {
  readonly schoolIds: readonly string[];
  /** Students of these classes on this day, or, when null, everybody of the schools. */
  readonly ofPersonIds: readonly string[] | null;
  readonly before: string | null;
  readonly limit: number;
}

/** Comings and goings at the doors, the newest first. */
export async function searchSignIns(db: Queryable, search: SignInSearch): Promise<SignInRow[]> {
  const said = search.words.map(({ word, kinds }) =>
    or(sql`instr(lower(${signIns.device}), ${word.toLowerCase()}) > 0`, inArray(signIns.kind, [...kinds])),
  );
  const among = (ids: readonly string[]) =>
    sql`${signIns.personId} in (select value from json_each(${JSON.stringify(ids)}))`;
  return db
    .select()
    .from(signIns)
    .where(
      and(
        inArray(signIns.schoolId, [...search.schoolIds]),
        search.ofPersonIds === null ? undefined : among(search.ofPersonIds),
        search.words.length === 0 ? undefined : or(and(...said), among(search.personIds)),
        search.before === null ? undefined : lt(signIns.id, search.before),
      ),
    )
    .orderBy(desc(signIns.id))
    .limit(search.limit);
}

/** Ids of people of a school whose name holds the words. */
export async function peopleNamed(db: Queryable, schoolIds: readonly string[], words: string): Promise<string[]> {
  const rows = await db
    .select({ id: people.id })
    .from(people)
    .where(
      and(
        inArray(people.schoolId, [...schoolIds]),
        sql`instr(lower(${people.givenName} || ' ' || ${people.familyName}), ${words.toLowerCase()}) > 0`,
        isNull(people.erasedAt),
      ),
    )
    .limit(50);
  return rows.map(({ id }) => id);
}

/** All pieces that mention a person, for erasing what they say. */
export async function piecesAbout(db: Queryable, personId: string) {
  return db.select().from(changeRows).where(sql`instr(${changeRows.rows}, ${personId}) > 0`);
}

export async function replacePiece(tx: Queryable, id: string, rows: readonly RowChange[]): Promise<void> {
  await tx
    .update(changeRows)
    .set({ rows: [...rows] })
    .where(eq(changeRows.id, id));
}
