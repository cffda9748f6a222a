import "server-only";
import {
  knownItems,
  knownSkillHashes,
  putFrame,
  putItemVersion,
  putPassages,
  putSkill,
  retireItems,
  setVersionHash,
} from "@/db/queries/content";
import { putUnits } from "@/db/queries/units";
import type { Queryable } from "@/db/queryable";
import type { Runtime } from "@/server/runtime/runtime";
import { contentHash } from "./contentHash";
import type { SkillContent, SubjectContent } from "./contentTypes";

/** What an installation changed. */
export interface Installed {
  readonly skills: number;
  readonly changedSkills: number;
  readonly items: number;
  readonly newItems: number;
  readonly newVersions: number;
  readonly retiredItems: number;
}

/**
 * Installs shipped content into a database, empty or not. What is there already with the same content stays as it is; an item
 * with other content gets a new version, so that old answers keep theirs; one that ships no more is retired, not deleted.
 */
export async function installContent(runtime: Runtime, subjects: readonly SubjectContent[]): Promise<Installed> {
  return runtime.db.write(async (tx) => {
    const counts = { skills: 0, changedSkills: 0, items: 0, newItems: 0, newVersions: 0, retiredItems: 0 };
    for (const content of subjects) {
      await putFrame(tx, content);
      await putPassages(tx, content.passages, runtime.now());
      counts.changedSkills += await installSkills(tx, content);
      await putUnits(tx, content.subject.id, content.units, runtime.now());
      counts.skills += content.skills.length;
      const done = await installItems(tx, content.skills, runtime.now());
      counts.items += done.items;
      counts.newItems += done.newItems;
      counts.newVersions += done.newVersions;
    }
    const shipped = subjects.flatMap(({ skills }) => skills.flatMap(({ items }) => items.map(({ id }) => id)));
    counts.retiredItems = await retireItems(tx, shipped, runtime.now());
    return counts;
  });
}

async function installSkills(tx: Queryable, { subject, skills }: SubjectContent): Promise<number> {
  const known = await knownSkillHashes(tx);
  let changed = 0;
  // Skills first, links afterwards: a link may name a skill that stands further down.
  const fresh = skills.flatMap((skill, place) => {
    const { items: _items, ...content } = skill;
    const hash = contentHash({ ...content, place });
    return known.get(skill.id) === hash ? [] : [{ skill, place, hash }];
  });
  for (const { skill, place, hash } of fresh) {
    await putSkill(tx, { ...rowOf(skill), subjectId: subject.id, place, contentHash: hash }, null);
    changed++;
  }
  for (const { skill, place, hash } of fresh)
    await putSkill(tx, { ...rowOf(skill), subjectId: subject.id, place, contentHash: hash }, skill);
  return changed;
}

const rowOf = ({ id, strand, name, studentName, grade, difficulty, lesson, teaching, reteach }: SkillContent) => ({
  id,
  strand,
  name,
  studentName,
  grade,
  difficulty,
  lesson,
  teaching,
  reteach,
});

async function installItems(tx: Queryable, skills: readonly SkillContent[], now: number) {
  const known = new Map((await knownItems(tx)).map((item) => [item.itemId, item]));
  const counts = { items: 0, newItems: 0, newVersions: 0 };
  for (const skill of skills)
    for (const { id, body, depth = null, calculator = false, passageId = null } of skill.items) {
      counts.items++;
      const hash = contentHash(passageId === null ? body : { body, passageId });
      const before = known.get(id);
      // A version from before bodies were hashed: it is told by what it holds.
      if (before && before.contentHash === "" && contentHash(before.body) === hash) {
        await setVersionHash(tx, before.versionId, hash);
        continue;
      }
      if (before?.contentHash === hash && !before.retired) continue;
      const number = (before?.number ?? 0) + 1;
      await putItemVersion(tx, {
        itemId: id,
        skillIds: [skill.id],
        version: {
          id: `${id}@${number}`,
          itemId: id,
          number,
          body,
          passageId,
          depth,
          calculator,
          language: "en",
          status: "ready",
          contentHash: hash,
          createdAt: now,
        },
      });
      if (before) counts.newVersions++;
      else counts.newItems++;
    }
  return counts;
}
