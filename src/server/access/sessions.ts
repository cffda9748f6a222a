import "server-only";
import {
  type ActingPerson,
  insertSession,
  revokeSession,
  type SessionRow,
  sessionOf,
  touchSession,
} from "@/db/queries/credentials";
import type { PersonRow } from "@/db/queries/people";
import type { Queryable } from "@/db/queryable";
import { log } from "@/server/runtime/log";
import type { Runtime } from "@/server/runtime/runtime";
import { schoolOf } from "@/server/runtime/school";
import { newToken, tokenHashOf } from "./secrets";

const MINUTE = 60_000;
/** A session ends after so long even when it is used all the time. */
const LONGEST_HOURS = { staff: 12, student: 8 } as const;
/** How often the last use is written down. */
const TOUCH_MILLISECONDS = MINUTE;
/** How long a page waits for that. */
const MOST_TOUCH_MILLISECONDS = 300;

/** Opens a session; the token is for the cookie and is stored as a hash only. */
export async function openSession(
  tx: Queryable,
  runtime: Runtime,
  person: PersonRow,
  { formerToken, ...from }: { readonly by: SessionRow["by"]; readonly device: string; readonly formerToken: string },
): Promise<string> {
  const token = newToken();
  const now = runtime.now();
  // Nobody could end it any more: its cookie is about to be written over.
  if (formerToken !== "") await revokeSession(tx, tokenHashOf(formerToken), now);
  await insertSession(tx, {
    tokenHash: tokenHashOf(token),
    personId: person.id,
    createdAt: now,
    lastSeenAt: now,
    expiresAt: now + LONGEST_HOURS[person.kind] * 60 * MINUTE,
    ...from,
  });
  return token;
}

/** Whether a session still opens the door: not ended, not over, and not left lying for too long. */
export function sessionHolds(
  session: Pick<SessionRow, "revokedAt" | "expiresAt" | "lastSeenAt">,
  kind: PersonRow["kind"],
  school: { readonly staffIdleMinutes: number; readonly studentIdleMinutes: number },
  now: number,
): boolean {
  const idle = kind === "staff" ? school.staffIdleMinutes : school.studentIdleMinutes;
  return session.revokedAt === null && session.expiresAt > now && now - session.lastSeenAt <= idle * MINUTE;
}

/** The person behind a token whose session holds; notes that it was used. */
export async function personOfToken(runtime: Runtime, token: string): Promise<ActingPerson | null> {
  const tokenHash = tokenHashOf(token);
  const found = await sessionOf(runtime.db.read, tokenHash);
  if (!found || found.archived) return null;
  const now = runtime.now();
  const school = await schoolOf(runtime, found.person.schoolId);
  if (!sessionHolds(found.session, found.person.kind, school, now)) return null;
  if (now - found.session.lastSeenAt > TOUCH_MILLISECONDS) await touch(runtime, tokenHash, now);
  return found.person;
}

/** Writes the last use down; pages are shown also while nothing can be written, and soon. */
async function touch(runtime: Runtime, tokenHash: string, now: number): Promise<void> {
  const touching = runtime.db
    .write((tx) => touchSession(tx, tokenHash, now))
    .catch((error: unknown) => log("warn", "a session's use was not noted", { error }));
  await Promise.race([touching, new Promise((resolve) => setTimeout(resolve, MOST_TOUCH_MILLISECONDS))]);
}

export async function signOut(runtime: Runtime, token: string): Promise<void> {
  await runtime.db.write((tx) => revokeSession(tx, tokenHashOf(token), runtime.now()));
}
