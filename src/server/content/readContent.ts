import "server-only";
import { existsSync, readdirSync, readFileSync } from "node:fs";
import { basename, join } from "node:path";
import { parse } from "yaml";
import { ValidationError } from "yup";
import { difficultyByPlace } from "@/core/items/difficultyByPlace";
import { itemBodySchema } from "@/core/items/itemBodySchema";
import type { Misconception } from "@/core/model/content";
import { frameworkOf } from "./authored/framework";
import type { Stories } from "./authored/items";
import { passageOf } from "./authored/passage";
import { skillOf } from "./authored/skill";
import { unitOf } from "./authored/unit";
import { ContentFault } from "./contentFault";
import {
  readFramework,
  readMisconceptions,
  readPassage,
  readSkill,
  readStories,
  readSubject,
  readUnit,
  type SubjectFile,
} from "./contentSchema";
import type { FrameworkContent, SkillContent, SubjectContent } from "./contentTypes";
import { demandWhole } from "./demandWhole";

/**
 * Reads content from a folder: one folder a subject with `subject.yaml`, its misconceptions, sets of stories and frameworks, and a file for each
 * skill. Everything is checked before anything is used. Throws ContentFault with the file and what is wrong in it.
 */
export function readContent(folder: string): SubjectContent[] {
  return readdirSync(folder)
    .sort()
    .filter((name) => existsSync(join(folder, name, "subject.yaml")))
    .map((name) => readSubjectFolder(join(folder, name)));
}

function readSubjectFolder(folder: string): SubjectContent {
  const read = <File>(name: string, as: (raw: unknown, file: string) => File): File =>
    as(yamlIn(join(folder, name)), join(folder, name));
  const { subject, framework, skills: byGrade, units: unitsByGrade = {} } = read("subject.yaml", readSubject);
  const misconceptions = Object.entries(read("misconceptions.yaml", readMisconceptions)).map(
    ([id, { name, means, say }]): Misconception => ({ id, name, explanation: means, feedback: say }),
  );
  const stories = existsSync(join(folder, "stories.yaml")) ? read("stories.yaml", readStories) : {};
  const passages = yamlFiles(folder, "passages").map((name) =>
    passageOf(basename(name, ".yaml"), read(join("passages", name), readPassage)),
  );
  const frameworks = yamlFiles(folder, "frameworks").map(
    (name): FrameworkContent => frameworkOf(read(join("frameworks", name), readFramework)),
  );
  const own = frameworks.find(({ framework: { id } }) => id === framework);
  if (!own) throw new ContentFault(`${folder}: no framework is called ${framework}.`);
  const content = {
    subject,
    ...own,
    skills: readSkills(folder, byGrade, stories),
    misconceptions,
    passages,
    units: Object.entries(unitsByGrade).flatMap(([grade, ids]) =>
      ids.map((id) => unitOf(id, Number(grade), read(join("units", `grade-${grade}`, `${id}.yaml`), readUnit))),
    ),
    furtherFrameworks: frameworks.filter((one) => one !== own),
  };
  demandWhole(content, folder);
  return content;
}

const yamlFiles = (folder: string, name: string): string[] =>
  existsSync(join(folder, name))
    ? readdirSync(join(folder, name))
        .sort()
        .filter((file) => file.endsWith(".yaml"))
    : [];

function readSkills(folder: string, byGrade: SubjectFile["skills"], stories: Stories): SkillContent[] {
  const difficulties = new Map<string, number>();
  return Object.entries(byGrade).flatMap(([name, ids]) =>
    ids.map((id, place): SkillContent => {
      const grade = Number(name);
      const skill = readOneSkill(join(folder, "skills", `grade-${grade}`, `${id}.yaml`), id, stories);
      const under = skill.prerequisites.flatMap((one) => difficulties.get(one) ?? []);
      const difficulty = skill.difficulty ?? difficultyByPlace(grade, place / ids.length, under);
      difficulties.set(id, difficulty);
      return { ...skill, grade, difficulty };
    }),
  );
}

/** A skill's file, its items' bodies checked too; its difficulty is null where the file leaves it to the rule. */
export function readOneSkill(path: string, id: string, stories: Stories): ReturnType<typeof skillOf> {
  const written = readSkill(yamlIn(path), path);
  try {
    const skill = skillOf(id, written, stories);
    for (const item of skill.items) demandBody(item);
    return skill;
  } catch (error) {
    throw error instanceof ContentFault ? new ContentFault(`${path}: ${error.message}`) : error;
  }
}

function demandBody({ id, body }: { readonly id: string; readonly body: object }): void {
  try {
    itemBodySchema.validateSync(body, { abortEarly: false });
  } catch (error) {
    throw error instanceof ValidationError ? new ContentFault(`${id}: ${error.errors.join("; ")}`) : error;
  }
}

function yamlIn(path: string): unknown {
  if (!existsSync(path)) throw new ContentFault(`${path} is not there.`);
  try {
    return parse(readFileSync(path, "utf8"));
  } catch (cause) {
    const at = cause instanceof Error ? cause.message : "";
    throw new ContentFault(`${path}: can't be read as YAML. ${at}`, { cause });
  }
}
