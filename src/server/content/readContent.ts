import "server-only";
import { existsSync, readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { misconceptionsIn } from "@/core/items/mapMisconceptions";
import type { Misconception } from "@/core/model/content";
import {
  ContentFault,
  type FrameworkFile,
  readFramework,
  readMisconceptions,
  readSkill,
  readSubject,
  type SkillFile,
  type SubjectFile,
} from "./contentSchema";

/** A subject's content as it ships. */
export interface SubjectContent extends Omit<SubjectFile, "skills"> {
  /** In teaching order: nothing stands before what it builds on. */
  readonly skills: readonly SkillFile[];
  readonly misconceptions: readonly Misconception[];
  /** Others beside the one that the subject follows by itself. */
  readonly furtherFrameworks: readonly FrameworkFile[];
}

/**
 * Reads content from a folder: one folder a subject with `subject.json`, `misconceptions.json` and a file for each skill.
 * Everything is checked before anything is used. Throws ContentFault with the file and what is wrong in it.
 */
export function readContent(folder: string): SubjectContent[] {
  return readdirSync(folder)
    .sort()
    .filter((name) => existsSync(join(folder, name, "subject.json")))
    .map((name) => readSubjectFolder(join(folder, name)));
}

function readSubjectFolder(folder: string): SubjectContent {
  const { skills: order, ...frame } = readSubject(json(folder, "subject.json"), join(folder, "subject.json"));
  const misconceptions = readMisconceptions(json(folder, "misconceptions.json"), join(folder, "misconceptions.json"));
  const skills = order.map((id) => {
    const name = join("skills", `${id}.json`);
    const skill = readSkill(json(folder, name), join(folder, name));
    if (skill.id !== id) throw new ContentFault(`${join(folder, name)}: the skill calls itself ${skill.id}.`);
    return skill;
  });
  const further = existsSync(join(folder, "frameworks")) ? readdirSync(join(folder, "frameworks")).sort() : [];
  const furtherFrameworks = further.map((name) =>
    readFramework(json(folder, join("frameworks", name)), join(folder, "frameworks", name)),
  );
  const content = { ...frame, skills, misconceptions, furtherFrameworks };
  demandWhole(content, folder);
  return content;
}

function json(folder: string, name: string): unknown {
  const path = join(folder, name);
  try {
    return JSON.parse(readFileSync(path, "utf8"));
  } catch (cause) {
    throw new ContentFault(`${path}: can't be read as JSON.`, { cause });
  }
}

/** Every reference leads somewhere, every id is there once, and nothing stands before what it builds on. */
function demandWhole({ skills, standards, misconceptions, furtherFrameworks }: SubjectContent, folder: string): void {
  const fault = (words: string) => new ContentFault(`${folder}: ${words}`);
  const known = new Set(misconceptions.map(({ id }) => id));
  const codes = new Set(standards.map(({ id }) => id));
  const earlier = new Set<string>();
  const itemIds = new Set<string>();
  const all = new Set(skills.map(({ id }) => id));
  const everyStandard = new Set([...codes, ...furtherFrameworks.flatMap((one) => one.standards.map(({ id }) => id))]);
  for (const { parentId } of [...standards, ...furtherFrameworks.flatMap((one) => one.standards)])
    if (parentId !== undefined && !everyStandard.has(parentId)) throw fault(`there is no standard ${parentId}.`);
  for (const { from, to } of furtherFrameworks.flatMap(({ links }) => links))
    for (const id of [from, to]) if (!everyStandard.has(id)) throw fault(`a link names no known standard: ${id}.`);
  for (const skill of skills) {
    for (const id of skill.standards) if (!codes.has(id)) throw fault(`${skill.id} names no known standard: ${id}.`);
    for (const id of skill.prerequisites)
      if (!earlier.has(id)) throw fault(`${skill.id} builds on ${id}, which does not stand before it.`);
    for (const id of skill.contrasts) if (!all.has(id)) throw fault(`${skill.id} contrasts with ${id}: no such skill.`);
    for (const { id, body } of skill.items) {
      if (itemIds.has(id)) throw fault(`the item ${id} is there twice.`);
      itemIds.add(id);
      for (const named of misconceptionsIn(body))
        if (!known.has(named)) throw fault(`${id} names no known misconception: ${named}.`);
    }
    earlier.add(skill.id);
  }
}
