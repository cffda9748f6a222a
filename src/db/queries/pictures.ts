import "server-only";
import { eq, getTableColumns, inArray } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { pictures } from "../schema/pictures";

export type PictureRow = typeof pictures.$inferSelect;

/** Keeps a picture; what is there already stays as it is. */
export async function keepPicture(tx: Queryable, row: typeof pictures.$inferInsert): Promise<void> {
  await tx.insert(pictures).values(row).onConflictDoNothing();
}

export async function pictureByHash(db: Queryable, hash: string): Promise<PictureRow | null> {
  const [row] = await db.select().from(pictures).where(eq(pictures.hash, hash));
  return row ?? null;
}

/** Those of some hashes that are there, without their bytes. */
export async function picturesKnown(db: Queryable, hashes: readonly string[]): Promise<Omit<PictureRow, "bytes">[]> {
  if (hashes.length === 0) return [];
  const { bytes: _, ...columns } = getTableColumns(pictures);
  return db
    .select(columns)
    .from(pictures)
    .where(inArray(pictures.hash, [...hashes]));
}

/** The same with their bytes, for taking them out. */
export async function picturesWithBytes(db: Queryable, hashes: readonly string[]): Promise<PictureRow[]> {
  if (hashes.length === 0) return [];
  return db
    .select()
    .from(pictures)
    .where(inArray(pictures.hash, [...hashes]));
}
