import "server-only";
import { and, count, desc, eq, max } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { talkNotes } from "../schema/evidence";
import { people } from "../schema/people";
import { among } from "./people";

export type TalkNoteRow = typeof talkNotes.$inferSelect;

/** What was noted of some students after talks, the latest first, with who noted it. */
export async function talksOf(db: Queryable, personIds: readonly string[], most = Number.MAX_SAFE_INTEGER) {
  if (personIds.length === 0) return [];
  return db
    .select({ note: talkNotes, by: people })
    .from(talkNotes)
    .innerJoin(people, eq(people.id, talkNotes.byId))
    .where(among(talkNotes.personId, personIds))
    .orderBy(desc(talkNotes.at), desc(talkNotes.id))
    .limit(most);
}

/** How often each reason was noted of a student, and when last. */
export async function talkCountsOf(db: Queryable, personId: string) {
  return db
    .select({ reason: talkNotes.reason, times: count(), lastAt: max(talkNotes.at) })
    .from(talkNotes)
    .where(eq(talkNotes.personId, personId))
    .groupBy(talkNotes.reason)
    .orderBy(desc(count()));
}

export async function talkNotesById(db: Queryable, ids: readonly string[]): Promise<TalkNoteRow[]> {
  return ids.length === 0
    ? []
    : db
        .select()
        .from(talkNotes)
        .where(and(among(talkNotes.id, ids)));
}
