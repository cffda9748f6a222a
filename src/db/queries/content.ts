import "server-only";
import { and, eq, isNull, or, sql } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { itemSkills, items, itemVersions } from "../schema/items";
import {
  frameworks,
  misconceptions,
  skillLinks,
  skillStandards,
  skills,
  standardLinks,
  standards,
  subjects,
} from "../schema/library";
import { passages, passageVersions } from "../schema/passages";
import { currentWords } from "./passages";

interface FrameworkWithStandards {
  readonly framework: Pick<typeof frameworks.$inferInsert, "id" | "title" | "version" | "language">;
  readonly standards: readonly Omit<typeof standards.$inferInsert, "frameworkId" | "place">[];
}

interface Frame extends FrameworkWithStandards {
  readonly subject: typeof subjects.$inferInsert;
  readonly furtherFrameworks: readonly (FrameworkWithStandards & {
    readonly links: readonly {
      readonly from: string;
      readonly kind: "same" | "related" | "part-of";
      readonly to: string;
    }[];
  })[];
  readonly misconceptions: readonly (typeof misconceptions.$inferInsert)[];
}

/** Puts a subject with its framework, standards and misconceptions in, or brings them up to date. */
export async function putFrame(tx: Queryable, frame: Frame): Promise<void> {
  const { subject, furtherFrameworks } = frame;
  await tx
    .insert(subjects)
    .values(subject)
    .onConflictDoUpdate({ target: subjects.id, set: { name: subject.name } });
  await putFramework(tx, frame, subject.id, "adopted");
  for (const further of furtherFrameworks) await putFramework(tx, further, subject.id, "draft");
  for (const { framework, links } of furtherFrameworks) {
    await tx.delete(standardLinks).where(eq(standardLinks.source, framework.id));
    for (const { from, kind, to } of links)
      await tx
        .insert(standardLinks)
        .values({ id: `${from} ${kind} ${to}`, fromId: from, toId: to, kind, source: framework.id })
        .onConflictDoNothing();
  }
  for (const misconception of frame.misconceptions)
    await tx
      .insert(misconceptions)
      .values(misconception)
      .onConflictDoUpdate({ target: misconceptions.id, set: misconception });
}

async function putFramework(
  tx: Queryable,
  { framework, standards: own }: FrameworkWithStandards,
  subjectId: string,
  status: "adopted" | "draft",
): Promise<void> {
  const row = { ...framework, subjectId, status, shipped: true };
  await tx.insert(frameworks).values(row).onConflictDoUpdate({ target: frameworks.id, set: row });
  for (const [place, standard] of own.entries()) {
    const values = {
      ...standard,
      parentId: standard.parentId ?? null,
      gradeLow: standard.gradeLow ?? null,
      gradeHigh: standard.gradeHigh ?? null,
      frameworkId: framework.id,
      place,
    };
    await tx.insert(standards).values(values).onConflictDoUpdate({ target: standards.id, set: values });
  }
}

export async function knownSkillHashes(tx: Queryable): Promise<ReadonlyMap<string, string | null>> {
  const rows = await tx
    .select({ id: skills.id, contentHash: skills.contentHash })
    .from(skills)
    .where(isNull(skills.retiredAt));
  return new Map(rows.map(({ id, contentHash }) => [id, contentHash]));
}

interface SkillTies {
  readonly id: string;
  readonly standards: readonly string[];
  readonly prerequisites: readonly string[];
  readonly contrasts: readonly string[];
}

/** Puts a skill in or brings it up to date; `ties` are what it belongs to and builds on, once all skills are there. */
export async function putSkill(tx: Queryable, row: typeof skills.$inferInsert, ties: SkillTies | null): Promise<void> {
  const values = { ...row, retiredAt: null };
  await tx.insert(skills).values(values).onConflictDoUpdate({ target: skills.id, set: values });
  if (!ties) return;
  const { id } = ties;
  await tx.delete(skillStandards).where(eq(skillStandards.skillId, id));
  await tx.insert(skillStandards).values(ties.standards.map((standardId) => ({ skillId: id, standardId })));
  await tx
    .delete(skillLinks)
    .where(
      or(
        and(eq(skillLinks.toId, id), eq(skillLinks.kind, "precedes")),
        and(eq(skillLinks.fromId, id), eq(skillLinks.kind, "contrasts")),
      ),
    );
  const links = [
    ...ties.prerequisites.map((fromId) => ({ fromId, toId: id, kind: "precedes" as const })),
    ...ties.contrasts.map((toId) => ({ fromId: id, toId, kind: "contrasts" as const })),
  ];
  if (links.length > 0) await tx.insert(skillLinks).values(links);
}

/** Puts shipped passages in; words that have changed make a further version, so that old answers keep theirs. */
export async function putPassages(
  tx: Queryable,
  shipped: readonly {
    readonly id: string;
    readonly title: string;
    readonly topic: string;
    readonly paragraphs: readonly string[];
  }[],
  now: number,
): Promise<void> {
  const before = new Map(
    (
      await currentWords(
        tx,
        shipped.map(({ id }) => id),
      )
    ).map((one) => [one.passageId, one]),
  );
  for (const { id, title, topic, paragraphs } of shipped) {
    const last = before.get(id);
    const isSame =
      last !== undefined &&
      JSON.stringify([last.title, last.topic, last.body]) === JSON.stringify([title, topic, paragraphs]);
    await tx
      .insert(passages)
      .values({ id, shipped: true, bankId: null })
      .onConflictDoUpdate({ target: passages.id, set: { retiredAt: null } });
    if (isSame) continue;
    const number = (last?.number ?? 0) + 1;
    await tx.insert(passageVersions).values({
      id: `${id}@${number}`,
      passageId: id,
      number,
      title,
      topic,
      language: "en",
      body: [...paragraphs],
      createdAt: now,
    });
  }
}

/** Items that ship, each with its current version. */
export async function knownItems(tx: Queryable) {
  return tx
    .select({
      itemId: items.id,
      retired: sql<boolean>`${items.retiredAt} is not null`,
      versionId: itemVersions.id,
      number: itemVersions.number,
      contentHash: itemVersions.contentHash,
      body: itemVersions.body,
    })
    .from(items)
    .innerJoin(itemVersions, eq(itemVersions.itemId, items.id))
    .where(
      and(
        eq(items.shipped, true),
        sql`${itemVersions.number} = (select max(v.number) from item_versions v where v.item_id = ${items.id})`,
      ),
    );
}

export async function setVersionHash(tx: Queryable, versionId: string, contentHash: string): Promise<void> {
  await tx.update(itemVersions).set({ contentHash }).where(eq(itemVersions.id, versionId));
}

/** Puts an item's new version in; the item itself with its skills when it is new, and back in use when it was retired. */
export async function putItemVersion(
  tx: Queryable,
  {
    itemId,
    skillIds,
    version,
  }: {
    readonly itemId: string;
    readonly skillIds: readonly string[];
    readonly version: typeof itemVersions.$inferInsert;
  },
): Promise<void> {
  await tx
    .insert(items)
    .values({ id: itemId, shipped: true })
    .onConflictDoUpdate({ target: items.id, set: { retiredAt: null } });
  await tx.insert(itemVersions).values(version);
  for (const [place, skillId] of skillIds.entries())
    await tx
      .insert(itemSkills)
      .values({ id: `${itemId}/${skillId}`, itemId, skillId, place })
      .onConflictDoNothing();
}

/** Retires shipped items that ship no more; how many. */
export async function retireItems(tx: Queryable, shippedIds: readonly string[], at: number): Promise<number> {
  const gone = await tx
    .update(items)
    .set({ retiredAt: at })
    .where(
      and(
        eq(items.shipped, true),
        isNull(items.retiredAt),
        sql`${items.id} not in (select value from json_each(${JSON.stringify(shippedIds)}))`,
      ),
    )
    .returning({ id: items.id });
  return gone.length;
}
