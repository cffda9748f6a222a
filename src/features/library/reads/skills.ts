import "server-only";
import { optionTexts } from "@/core/items/optionTexts";
import { responseWords } from "@/core/items/responseWords";
import { tellingMistakes } from "@/core/items/telling";
import { demandStaff } from "@/server/access/demand";
import { drawerWith } from "@/server/library/drawnItems";
import { libraryOf } from "@/server/library/library";
import { DRAWS_AN_ITEM, shelfOf } from "@/server/library/shelf";
import type { Context } from "@/server/runtime/context";
import type { SkillCard, SkillPage } from "../types";

export async function skillCards(context: Context): Promise<SkillCard[]> {
  const { schoolId } = demandStaff(context.actor);
  const library = await libraryOf(context.runtime);
  return library.skillsAt(schoolId).map((skill) => ({
    id: skill.id,
    name: skill.name,
    grade: skill.grade,
    code: skill.standards[0]?.code ?? "",
    items: skill.items,
  }));
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
    buildsOn: skill.prerequisites.map(brief),
    unlocks: skill.unlocks.map(brief),
    lesson: shelf.lesson,
    reteach: shelf.reteach,
    items: shelf.versions.flatMap(({ id, itemId, body }) => {
      const contexts = Object.keys(body.contexts);
      const context = contexts[seed % contexts.length] ?? "";
      const item = drawIfKnown({ versionId: id, seed, context, optionOrder: null });
      if (!item) return [];
      return [
        {
          itemId,
          stem: item.stem,
          table: item.table,
          options: optionTexts(item),
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
