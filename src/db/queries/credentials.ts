import "server-only";
import { and, desc, eq, isNull, lt, or, sql } from "drizzle-orm";
import { hot, readHot } from "../hot";
import type { Queryable } from "../queryable";
import { credentials, passwordResets, sessions } from "../schema/access";
import { people } from "../schema/people";
import { among, type PersonRow } from "./people";

export type CredentialRow = typeof credentials.$inferSelect;
export type SessionRow = typeof sessions.$inferSelect;

export async function credentialOf(db: Queryable, personId: string): Promise<CredentialRow | null> {
  const [credential] = await db.select().from(credentials).where(eq(credentials.personId, personId));
  return credential ?? null;
}

/** A new secret with or without a card, which replaces whatever card there was. */
export type NewSecret = Pick<CredentialRow, "personId" | "secretHash" | "kind" | "cardHash">;

const SECRETS_AT_ONCE = 200;

/** Sets new secrets and cards of many people and lifts their locks, in as few statements as a database takes. */
export async function setSecrets(tx: Queryable, secrets: readonly NewSecret[]): Promise<void> {
  for (let at = 0; at < secrets.length; at += SECRETS_AT_ONCE)
    await tx
      .insert(credentials)
      .values(secrets.slice(at, at + SECRETS_AT_ONCE))
      .onConflictDoUpdate({
        target: credentials.personId,
        set: {
          secretHash: sql`excluded.secret_hash`,
          kind: sql`excluded.kind`,
          cardHash: sql`excluded.card_hash`,
          lockedUntil: null,
        },
      });
}

/** Lets people sign in again who were locked out. */
export async function unlock(tx: Queryable, personIds: readonly string[]): Promise<void> {
  await tx.update(credentials).set({ lockedUntil: null }).where(among(credentials.personId, personIds));
}

/** Sets a new secret and lifts any lock; a printed card stays as it is. */
export async function setSecret(
  tx: Queryable,
  personId: string,
  secretHash: string,
  kind: CredentialRow["kind"],
): Promise<void> {
  const fresh = { secretHash, kind, lockedUntil: null };
  await tx
    .insert(credentials)
    .values({ personId, ...fresh })
    .onConflictDoUpdate({ target: credentials.personId, set: fresh });
}

export async function updateCredential(
  tx: Queryable,
  personId: string,
  values: Partial<Omit<CredentialRow, "personId">>,
): Promise<void> {
  await tx.update(credentials).set(values).where(eq(credentials.personId, personId));
}

/** Marks the time step of a second step as used; false when it, or a later one, was used already. */
export async function useTotpStep(tx: Queryable, personId: string, step: number): Promise<boolean> {
  const used = await tx
    .update(credentials)
    .set({ totpLastStep: step })
    .where(
      and(eq(credentials.personId, personId), or(isNull(credentials.totpLastStep), lt(credentials.totpLastStep, step))),
    )
    .returning({ personId: credentials.personId });
  return used.length > 0;
}

export async function personByCard(db: Queryable, cardHash: string) {
  const [row] = await db
    .select({ person: people, credential: credentials })
    .from(credentials)
    .innerJoin(people, eq(people.id, credentials.personId))
    .where(eq(credentials.cardHash, cardHash));
  return row ?? null;
}

export async function insertSession(tx: Queryable, session: typeof sessions.$inferInsert): Promise<void> {
  await tx.insert(sessions).values(session);
}

const sessionByToken = hot((db) =>
  db
    .select({
      expiresAt: sessions.expiresAt,
      revokedAt: sessions.revokedAt,
      lastSeenAt: sessions.lastSeenAt,
      personId: sessions.personId,
      schoolId: people.schoolId,
      kind: people.kind,
      givenName: people.givenName,
      familyName: people.familyName,
      archivedAt: people.archivedAt,
    })
    .from(sessions)
    .innerJoin(people, eq(people.id, sessions.personId))
    .where(eq(sessions.tokenHash, sql.placeholder("tokenHash"))),
);

interface SessionRead {
  readonly expires_at: number;
  readonly revoked_at: number | null;
  readonly last_seen_at: number;
  readonly person_id: string;
  readonly school_id: string;
  readonly kind: PersonRow["kind"];
  readonly given_name: string;
  readonly family_name: string;
  readonly archived_at: number | null;
}

/** Who acts, as far as rights and greetings go. */
export type ActingPerson = Pick<PersonRow, "id" | "schoolId" | "kind" | "givenName" | "familyName">;

/** The session with its person, whatever its state; read at every request. */
export async function sessionOf(db: Queryable, tokenHash: string) {
  const [row] = await readHot<SessionRead>(db, sessionByToken, { tokenHash });
  if (!row) return null;
  const person: ActingPerson = {
    id: row.person_id,
    schoolId: row.school_id,
    kind: row.kind,
    givenName: row.given_name,
    familyName: row.family_name,
  };
  const session = { expiresAt: row.expires_at, revokedAt: row.revoked_at, lastSeenAt: row.last_seen_at };
  return { person, archived: row.archived_at !== null, session };
}

export async function touchSession(tx: Queryable, tokenHash: string, lastSeenAt: number): Promise<void> {
  await tx.update(sessions).set({ lastSeenAt }).where(eq(sessions.tokenHash, tokenHash));
}

export async function revokeSession(tx: Queryable, tokenHash: string, at: number): Promise<void> {
  await tx.update(sessions).set({ revokedAt: at }).where(eq(sessions.tokenHash, tokenHash));
}

/** Ends every open session of the people; returns how many there were. */
export async function revokeSessionsOf(tx: Queryable, personIds: readonly string[], at: number): Promise<number> {
  if (personIds.length === 0) return 0;
  const ended = await tx
    .update(sessions)
    .set({ revokedAt: at })
    .where(and(among(sessions.personId, personIds), isNull(sessions.revokedAt)))
    .returning({ personId: sessions.personId });
  return ended.length;
}

export async function openSessionsOf(db: Queryable, personId: string): Promise<SessionRow[]> {
  return db
    .select()
    .from(sessions)
    .where(and(eq(sessions.personId, personId), isNull(sessions.revokedAt)))
    .orderBy(desc(sessions.lastSeenAt));
}

export async function insertReset(tx: Queryable, row: typeof passwordResets.$inferInsert): Promise<void> {
  await tx.insert(passwordResets).values(row);
}

export async function resetByToken(db: Queryable, tokenHash: string) {
  const [row] = await db.select().from(passwordResets).where(eq(passwordResets.tokenHash, tokenHash));
  return row ?? null;
}

/** Marks all reset links of a person as used: a new password makes older links worthless. */
export async function useResetsOf(tx: Queryable, personId: string, at: number): Promise<void> {
  await tx
    .update(passwordResets)
    .set({ usedAt: at })
    .where(and(eq(passwordResets.personId, personId), isNull(passwordResets.usedAt)));
}
