import "server-only";
import { misconceptionsIn } from "@/core/items/mapMisconceptions";
import { ContentFault } from "./contentFault";
import type { SubjectContent } from "./contentTypes";

/** Every reference leads somewhere, every id is there once, and nothing stands before what it builds on or below its grade. */
export function demandWhole(content: SubjectContent, folder: string): void {
  const fault = (words: string) => new ContentFault(`${folder}: ${words}`);
  demandStandards(content, fault);
  demandSkills(content, fault);
  demandUnits(content, fault);
}

type Fault = (words: string) => ContentFault;

function demandStandards({ skills, standards, furtherFrameworks }: SubjectContent, fault: Fault): void {
  const codes = new Set(standards.map(({ id }) => id));
  const every = new Set([...codes, ...furtherFrameworks.flatMap((one) => one.standards.map(({ id }) => id))]);
  for (const { from, to } of furtherFrameworks.flatMap(({ links }) => links))
    for (const id of [from, to]) if (!every.has(id)) throw fault(`a link names no known standard: ${id}.`);
  for (const skill of skills)
    for (const id of skill.standards) if (!codes.has(id)) throw fault(`${skill.id} names no known standard: ${id}.`);
}

function demandSkills({ skills, misconceptions, passages }: SubjectContent, fault: Fault): void {
  const known = new Set(misconceptions.map(({ id }) => id));
  const grades = new Map<string, number>();
  const itemIds = new Set<string>();
  const all = new Set(skills.map(({ id }) => id));
  for (const skill of skills) {
    if (grades.has(skill.id)) throw fault(`the skill ${skill.id} is there twice.`);
    for (const id of skill.prerequisites) {
      const grade = grades.get(id);
      if (grade === undefined) throw fault(`${skill.id} builds on ${id}, which does not stand before it.`);
      if (grade > skill.grade) throw fault(`${skill.id} builds on ${id} of a later grade.`);
    }
    for (const id of skill.contrasts) if (!all.has(id)) throw fault(`${skill.id} contrasts with ${id}: no such skill.`);
    for (const { misconceptionId } of skill.reteach.look)
      if (!known.has(misconceptionId)) throw fault(`${skill.id} looks at no known misconception: ${misconceptionId}.`);
    for (const { id, body, passageId } of skill.items) {
      if (passageId !== undefined && !passages.some((passage) => passage.id === passageId))
        throw fault(`${id} hangs on no known passage: ${passageId}.`);
      if (itemIds.has(id)) throw fault(`the item ${id} is there twice.`);
      itemIds.add(id);
      for (const named of misconceptionsIn(body))
        if (!known.has(named)) throw fault(`${id} names no known misconception: ${named}.`);
    }
    grades.set(skill.id, skill.grade);
  }
}

/** No skill stands in two units, nor in one before what it builds on where that stands in a unit of the same grade, too. */
function demandUnits({ skills, units }: SubjectContent, fault: Fault): void {
  const byId = new Map(skills.map((skill) => [skill.id, skill]));
  const home = new Map(units.flatMap((unit) => unit.skills.map((id) => [id, unit] as const)));
  const seen = new Set<string>();
  for (const unit of units)
    for (const id of unit.skills) {
      const skill = byId.get(id);
      if (!skill) throw fault(`the unit ${unit.id} holds no known skill: ${id}.`);
      if (skill.grade !== unit.grade) throw fault(`${id} is of another grade than the unit ${unit.id}.`);
      if (seen.has(id)) throw fault(`${id} stands in two places of units.`);
      for (const under of skill.prerequisites)
        if (home.get(under)?.grade === unit.grade && !seen.has(under))
          throw fault(`${id} of the unit ${unit.id} builds on ${under}, which comes later.`);
      seen.add(id);
    }
}
