import "server-only";
import { broughtAlong, unitChecks } from "@/core/library/unitChecks";
import { unitById } from "@/db/queries/units";
import { demandStaff } from "@/server/access/demand";
import { type Library, type LibrarySkill, libraryOf } from "@/server/library/library";
import { shelfOf } from "@/server/library/shelf";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import type { UnitCard, UnitPage, UnitShelves } from "../unitTypes";
import { startFor } from "./startFor";

/** All units, beginning with the subject and the grade of the first of some classes. */
export async function unitShelves(context: Context, classIds: readonly string[]): Promise<UnitShelves> {
  const { schoolId } = demandStaff(context.actor);
  const library = await libraryOf(context.runtime);
  const skills = new Map(library.skillsAt(schoolId).map((skill) => [skill.id, skill]));
  const units = library.units.map((unit): UnitCard => {
    const { id, subjectId, grade, name, weeks } = unit;
    return { id, subjectId, grade, name, weeks, skills: skillsOf(unit.skillIds, skills).map(cardOf) };
  });
  return {
    units,
    subjects: library
      .subjectsAt(schoolId)
      .filter(({ id }) => units.some(({ subjectId }) => subjectId === id))
      .map(({ id, name }) => ({ id, name })),
    start: await startFor(context, classIds, units),
  };
}

/** A unit with what belongs to it: its skills and models, words, what stands around it, assessments to give. */
export async function unitPage({ runtime, actor }: Context, unitId: string): Promise<UnitPage> {
  const { schoolId } = demandStaff(actor);
  const [library, unit] = await Promise.all([libraryOf(runtime), unitById(runtime.db.read, unitId)]);
  if (!unit) throw new Refusal("not-found", "This unit is not known.");
  const all = new Map(library.skillsAt(schoolId).map((skill) => [skill.id, skill]));
  const skills = skillsOf(unit.skillIds, all);
  const shelves = await Promise.all(skills.map(({ id }) => shelfOf(runtime, id)));
  const ofGrade = library.units.filter(({ grade, subjectId }) => grade === unit.grade && subjectId === unit.subjectId);
  const at = ofGrade.findIndex(({ id }) => id === unitId);
  const words = new Map(shelves.flatMap(({ teaching }) => teaching?.first.words ?? []).map((one) => [one.word, one]));
  return {
    id: unit.id,
    name: unit.name,
    grade: unit.grade,
    weeks: unit.weeks,
    number: at + 1,
    ofUnits: ofGrade.length,
    guide: unit.guide,
    skills: skills.map((skill, place) => ({
      ...cardOf(skill),
      meaning: shelves[place]?.teaching?.meaning ?? "",
      model: shelves[place]?.teaching?.model ?? null,
    })),
    words: [...words.values()],
    buildsOn: briefs(library, broughtAlong(skills)),
    leadsTo: briefs(library, leadsTo(skills)),
    checks: unitChecks(skills).map(({ moment, skillIds, items }) => ({
      moment,
      items,
      skills: skillIds.map((id) => ({ id, name: library.skill(id).name })),
    })),
    earlier: nameOf(ofGrade[at - 1]),
    later: nameOf(ofGrade[at + 1]),
  };
}

const skillsOf = (ids: readonly string[], all: ReadonlyMap<string, LibrarySkill>): LibrarySkill[] =>
  ids.flatMap((id) => all.get(id) ?? []);

const cardOf = ({ id, name, standards }: LibrarySkill) => ({ id, name, code: standards[0]?.code ?? "" });

const briefs = (library: Library, ids: readonly string[]) =>
  ids.map((id) => {
    const { name, grade } = library.skill(id);
    return { id, name, grade };
  });

/** Skills outside the unit that build directly on its skills, in teaching order of mention. */
function leadsTo(unit: readonly LibrarySkill[]): string[] {
  const own = new Set(unit.map(({ id }) => id));
  return [...new Set(unit.flatMap(({ unlocks }) => unlocks))].filter((id) => !own.has(id));
}

const nameOf = (unit: { readonly id: string; readonly name: string } | undefined) =>
  unit ? { id: unit.id, name: unit.name } : null;
