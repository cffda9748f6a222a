import "server-only";
import { setThrottle, throttleOf } from "@/db/queries/credentials";
import type { Queryable } from "@/db/queryable";
import { Refusal } from "@/server/runtime/refusal";

const MINUTE = 60_000;

/**
 * What may go wrong how often, from where, before the door stays shut for the rest of the window. Only wrong tries count. A
 * device that guesses is stopped without stopping anyone else: the tries of one device at one name are few, those at a name
 * from everywhere are many, and a whole school behind one address never meets the limits of an address by honest mistakes.
 */
const LIMITS = {
  /** One device at one person's PIN or password. */
  "device-person": { most: 5, minutes: 10 },
  /** Any number of devices at one person's PIN or password. */
  person: { most: 25, minutes: 60 },
  /** Class codes and cards that do not exist, from one address. */
  "address-code": { most: 40, minutes: 10 },
  /** Reset links asked for, for one address of a person. */
  reset: { most: 3, minutes: 60 },
  /** Codes of the second step. */
  "second-step": { most: 5, minutes: 10 },
} as const;

export type ThrottleKind = keyof typeof LIMITS;

/** Minutes for which the door stays shut; null while it is open. */
export async function shutFor(db: Queryable, kind: ThrottleKind, key: string, now: number): Promise<number | null> {
  const row = await throttleOf(db, kind, key);
  if (!row || row.windowEndsAt <= now || row.count < LIMITS[kind].most) return null;
  return Math.ceil((row.windowEndsAt - now) / MINUTE);
}

/** Refuses while the door is shut. */
export async function demandOpen(
  db: Queryable,
  kind: ThrottleKind,
  key: string,
  now: number,
  words: (minutes: number) => string,
): Promise<void> {
  const minutes = await shutFor(db, kind, key, now);
  if (minutes !== null) throw new Refusal("locked", words(minutes));
}

/** Counts one wrong try; returns how many are left in the window. Inside a transaction tries side by side all count. */
export async function countTry(tx: Queryable, kind: ThrottleKind, key: string, now: number): Promise<number> {
  const { most, minutes } = LIMITS[kind];
  const row = await throttleOf(tx, kind, key);
  const running = row && row.windowEndsAt > now ? row : null;
  const count = (running?.count ?? 0) + 1;
  // The last try starts the wait anew, so that it lasts as long as the words say.
  const windowEndsAt = running && count < most ? running.windowEndsAt : now + minutes * MINUTE;
  await setThrottle(tx, { kind, key, count, windowEndsAt });
  return Math.max(0, most - count);
}
