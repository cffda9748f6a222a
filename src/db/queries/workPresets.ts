import "server-only";
import { and, asc, eq, isNull } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { workPresets } from "../schema/workPresets";

export type PresetRow = typeof workPresets.$inferSelect;

/** Settings that somebody keeps, in the order of keeping. */
export async function presetsOf(db: Queryable, ownerId: string): Promise<PresetRow[]> {
  return db
    .select()
    .from(workPresets)
    .where(and(eq(workPresets.ownerId, ownerId), isNull(workPresets.archivedAt)))
    .orderBy(asc(workPresets.keptAt));
}

export async function insertPreset(tx: Queryable, row: typeof workPresets.$inferInsert): Promise<void> {
  await tx.insert(workPresets).values(row);
}

/** Changes one of somebody's own; false when there is none. */
export async function changePresetRow(
  tx: Queryable,
  { id, ownerId }: { readonly id: string; readonly ownerId: string },
  values: Partial<Pick<PresetRow, "settings" | "keptAt" | "archivedAt">>,
): Promise<boolean> {
  const changed = await tx
    .update(workPresets)
    .set(values)
    .where(and(eq(workPresets.id, id), eq(workPresets.ownerId, ownerId)))
    .returning({ id: workPresets.id });
  return changed.length > 0;
}
