import "server-only";
import { and, asc, eq, or } from "drizzle-orm";
import type { Noted } from "@/core/model/noted";
import type { Queryable } from "../queryable";
import { notes } from "../schema/notes";
import { people } from "../schema/people";

/** Notes on a thing that somebody reads: the own one, and those that colleagues of the school share, the own first. */
export async function notesOn(
  db: Queryable,
  reader: { readonly personId: string; readonly schoolId: string },
  about: Noted,
  aboutId: string,
) {
  return db
    .select({ note: notes, givenName: people.givenName, familyName: people.familyName })
    .from(notes)
    .innerJoin(people, eq(people.id, notes.personId))
    .where(
      and(
        eq(notes.about, about),
        eq(notes.aboutId, aboutId),
        or(eq(notes.personId, reader.personId), and(eq(notes.schoolId, reader.schoolId), eq(notes.shared, true))),
      ),
    )
    .orderBy(asc(people.givenName), asc(people.familyName));
}

/** Somebody's own note on a thing. */
export async function ownNote(db: Queryable, personId: string, about: Noted, aboutId: string) {
  const [found] = await db
    .select()
    .from(notes)
    .where(and(eq(notes.about, about), eq(notes.aboutId, aboutId), eq(notes.personId, personId)));
  return found ?? null;
}
