import "server-only";
import { and, asc, desc, eq, isNull } from "drizzle-orm";
import { alias } from "drizzle-orm/sqlite-core";
import type { Queryable } from "../queryable";
import { pointers } from "../schema/evidence";
import { people } from "../schema/people";

export type PointerRow = typeof pointers.$inferSelect;

/** What somebody was pointed to and has not done yet, by day, with who pointed to it. */
export async function openPointersTo(db: Queryable, personId: string) {
  return db
    .select({ pointer: pointers, from: people })
    .from(pointers)
    .innerJoin(people, eq(people.id, pointers.fromId))
    .where(and(eq(pointers.toId, personId), isNull(pointers.doneAt)))
    .orderBy(asc(pointers.day), asc(pointers.at));
}

/** What somebody pointed colleagues to, the latest first. */
export async function pointersFrom(db: Queryable, personId: string, most: number) {
  const receiver = alias(people, "receiver");
  return db
    .select({ pointer: pointers, to: receiver })
    .from(pointers)
    .innerJoin(receiver, eq(receiver.id, pointers.toId))
    .where(eq(pointers.fromId, personId))
    .orderBy(desc(pointers.at))
    .limit(most);
}

export async function pointerById(db: Queryable, id: string): Promise<PointerRow | null> {
  const [found] = await db.select().from(pointers).where(eq(pointers.id, id));
  return found ?? null;
}
