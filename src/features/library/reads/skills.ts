import "server-only";
import { askedText, runningTexts } from "@/core/items/askedText";
import { optionTexts } from "@/core/items/optionTexts";
import { responseWords } from "@/core/items/responseWords";
import { tellingMistakes } from "@/core/items/telling";
import { demandStaff } from "@/server/access/demand";
import { drawerWith } from "@/server/library/drawnItems";
import { type Library, libraryOf } from "@/server/library/library";
import { DRAWS_AN_ITEM, shelfOf } from "@/server/library/shelf";
import type { Context } from "@/server/runtime/context";
import type { SkillCard, SkillPage, SkillShelves } from "../types";
import { startFor } from "./startFor";

export async function skillCards(context: Context): Promise<SkillCard[]> {
  const { schoolId } = demandStaff(context.actor);
  const library = await libraryOf(context.runtime);
  return library.skillsAt(schoolId).map((skill) => ({
    id: skill.id,
    subjectId: skill.subjectId,
    strand: skill.strand,
    name: skill.name,
    grade: skill.grade,
    code: skill.standards[0]?.code ?? "",
    items: skill.items,
  }));
}

/** All skills, beginning with the subject and the grade of the first of some classes. */
export async function skillShelves(context: Context, classIds: readonly string[]): Promise<SkillShelves> {
  const [skills, library] = await Promise.all([skillCards(context), libraryOf(context.runtime)]);
  return {
    skills,
    subjects: library.subjectsAt(context.actor.schoolId).map(({ id, name }) => ({ id, name })),
    start: await startFor(context, classIds, skills),
  };
}

/** A skill with one draw of each of its items; `draw` picks which. */
export async function skillPage({ runtime, actor }: Context, skillId: string, draw: number): Promise<SkillPage> {
  const { schoolId } = demandStaff(actor);
  const library = await libraryOf(runtime);
  const skill = library.skillsAt(schoolId).find(({ id }) => id === skillId) ?? library.skill(skillId);
  const shelf = await shelfOf(runtime, skillId);
  const seed = Number.isInteger(draw) && draw >= 0 ? draw % DRAWS_AN_ITEM : 0;
  const brief = (id: string) => ({ id, name: library.skill(id).name });
  const { drawIfKnown } = drawerWith(runtime, new Map(shelf.versions.map((version) => [version.id, version])));
  const [standard] = skill.standards;
  return {
    id: skill.id,
    name: skill.name,
    studentName: skill.studentName,
    grade: skill.grade,
    framework: standard?.framework ?? "",
    code: standard?.code ?? "",
    statement: standard?.statement ?? "",
    via: standard?.via ?? null,
    unit: unitOf(library, skill.id),
    buildsOn: skill.prerequisites.map(brief),
    unlocks: skill.unlocks.map(brief),
    lesson: shelf.lesson,
    teaching: shelf.teaching,
    reteach: shelf.reteach,
    lookedAt: shelf.reteach.look.map(({ misconceptionId }) => library.misconceptionName(misconceptionId)),
    items: shelf.versions.flatMap(({ id, itemId, body }) => {
      const contexts = Object.keys(body.contexts);
      const context = contexts[seed % contexts.length] ?? "";
      const item = drawIfKnown({ versionId: id, seed, context, optionOrder: null });
      if (!item) return [];
      return [
        {
          itemId,
          stem: askedText(item),
          table: item.table,
          // What stands in a text is seen there.
          options: runningTexts(item).length > 0 ? [] : optionTexts(item),
          answer: item.parts.map(({ keyText }) => keyText).join("; "),
          solution: item.solution,
          mistakes: tellingMistakes(item).map(({ misconceptionId, partId, response }) => ({
            answer: responseWords(item, { [partId]: response[partId] }).join("; "),
            name: library.misconceptionName(misconceptionId),
          })),
        },
      ];
    }),
  };
}

function unitOf(library: Library, skillId: string): SkillPage["unit"] {
  const unit = library.units.find(({ skillIds }) => skillIds.includes(skillId));
  return unit ? { id: unit.id, name: unit.name } : null;
}
