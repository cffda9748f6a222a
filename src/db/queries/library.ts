import "server-only";
import { asc, eq } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { frameworks, itemModels, misconceptions, skillLinks, skills, standards } from "../schema/library";

export async function allSkills(db: Queryable) {
  return db
    .select({ skill: skills, standard: standards, framework: frameworks.name })
    .from(skills)
    .innerJoin(standards, eq(standards.id, skills.standardId))
    .innerJoin(frameworks, eq(frameworks.id, standards.frameworkId))
    .orderBy(asc(skills.place));
}
export const allSkillLinks = (db: Queryable) => db.select().from(skillLinks);
export const allMisconceptions = (db: Queryable) => db.select().from(misconceptions);
/** Every version of every item model, retired ones too: old answers refer to them. */
export const allItemModels = (db: Queryable) =>
  db.select().from(itemModels).orderBy(asc(itemModels.id), asc(itemModels.version));

export async function insertLibrary(
  tx: Queryable,
  rows: {
    framework: typeof frameworks.$inferInsert;
    standards: (typeof standards.$inferInsert)[];
    skills: (typeof skills.$inferInsert)[];
    links: (typeof skillLinks.$inferInsert)[];
    misconceptions: (typeof misconceptions.$inferInsert)[];
    itemModels: (typeof itemModels.$inferInsert)[];
  },
): Promise<void> {
  await tx.insert(frameworks).values(rows.framework);
  await tx.insert(standards).values(rows.standards);
  await tx.insert(skills).values(rows.skills);
  if (rows.links.length > 0) await tx.insert(skillLinks).values(rows.links);
  await tx.insert(misconceptions).values(rows.misconceptions);
  await tx.insert(itemModels).values(rows.itemModels);
}
