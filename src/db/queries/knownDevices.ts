import "server-only";
import { and, desc, eq, inArray } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { knownDevices } from "../schema/access";
import { among } from "./people";

/** Whether any of the people signed in on a device before. */
export async function isKnownDevice(db: Queryable, personIds: readonly string[], deviceHash: string): Promise<boolean> {
  const found = await db
    .select({ personId: knownDevices.personId })
    .from(knownDevices)
    .where(and(among(knownDevices.personId, personIds), eq(knownDevices.deviceHash, deviceHash)))
    .limit(1);
  return found.length > 0;
}

/** Remembers that a person signed in on a device; of each person only the latest few are kept. */
export async function rememberDevice(
  tx: Queryable,
  row: typeof knownDevices.$inferInsert,
  mostKept: number,
): Promise<void> {
  await tx
    .insert(knownDevices)
    .values(row)
    .onConflictDoUpdate({
      target: [knownDevices.personId, knownDevices.deviceHash],
      set: { lastAt: row.lastAt },
    });
  const all = await tx
    .select({ deviceHash: knownDevices.deviceHash })
    .from(knownDevices)
    .where(eq(knownDevices.personId, row.personId))
    .orderBy(desc(knownDevices.lastAt));
  const old = all.slice(mostKept).map(({ deviceHash }) => deviceHash);
  if (old.length > 0)
    await tx
      .delete(knownDevices)
      .where(and(eq(knownDevices.personId, row.personId), inArray(knownDevices.deviceHash, old)));
}

/** Forgets all devices of some people: whoever knew the old secret is a stranger now. */
export async function forgetDevicesOf(tx: Queryable, personIds: readonly string[]): Promise<void> {
  await tx.delete(knownDevices).where(among(knownDevices.personId, personIds));
}
