import "server-only";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import type { Client } from "@libsql/client";

interface Journal {
  readonly entries: readonly { readonly when: number }[];
}

/**
 * Refuses a database that a later version has migrated: its tables are not what this version knows, and writing to them by
 * guess would damage what the later version keeps.
 */
export async function refuseFuture(client: Client, migrationsFolder: string): Promise<void> {
  const table = "__drizzle_migrations";
  const there = await client.execute(`select 1 from sqlite_master where type = 'table' and name = '${table}'`);
  if (there.rows.length === 0) return;
  const applied = await client.execute(`select max(created_at) as latest from ${table}`);
  const { entries } = JSON.parse(readFileSync(join(migrationsFolder, "meta", "_journal.json"), "utf8")) as Journal;
  const newest = Math.max(0, ...entries.map(({ when }) => when));
  if (Number(applied.rows[0]?.latest ?? 0) > newest)
    throw new Error(
      "This database was used by a later version of Oxbow. Start that version, or restore a copy from before it; nothing was changed.",
    );
}
