import "server-only";
import { writeNumber } from "@/core/answers/writeNumber";
import { demandStaff } from "@/server/access/demand";
import type { Context } from "@/server/runtime/context";
import { libraryOf } from "@/server/runtime/library";
import type { SkillCard, SkillPage } from "./types";

/** Draws of each item model to page through. */
const DRAWS = 60;

export async function skillCards(context: Context): Promise<SkillCard[]> {
  demandStaff(context.actor);
  const library = await libraryOf(context.runtime);
  return library.skills.map((skill) => ({
    id: skill.id,
    name: skill.name,
    grade: skill.grade,
    code: skill.standard.code,
    models: library.modelIdsOf(skill.id).length,
  }));
}

/** A skill with one item of each of its models; `draw` picks which. */
export async function skillPage(context: Context, skillId: string, draw: number): Promise<SkillPage> {
  demandStaff(context.actor);
  const library = await libraryOf(context.runtime);
  const skill = library.skill(skillId);
  const seed = Number.isInteger(draw) && draw >= 0 ? draw % DRAWS : 0;
  const brief = (id: string) => ({ id, name: library.skill(id).name });
  return {
    id: skill.id,
    name: skill.name,
    studentName: skill.studentName,
    grade: skill.grade,
    framework: skill.framework,
    code: skill.standard.code,
    statement: skill.standard.statement,
    buildsOn: skill.prerequisites.map(brief),
    unlocks: skill.unlocks.map(brief),
    lesson: skill.lesson,
    reteach: skill.reteach,
    items: library.modelIdsOf(skill.id).map(({ id, version }) => {
      const contexts = library.contextsOf(id, version);
      const item = library.item(id, version, seed, contexts[seed % contexts.length] ?? "");
      const nameOf = (misconceptionId: string) => library.misconceptions.get(misconceptionId)?.name ?? "";
      return {
        modelId: id,
        stem: item.stem,
        table: item.table,
        options: item.options.map(({ text }) => text),
        answer: item.keyText,
        solution: item.solution,
        mistakes: [
          ...item.options.flatMap(({ text, misconceptionId }) =>
            misconceptionId ? [{ answer: text, name: nameOf(misconceptionId) }] : [],
          ),
          ...item.misconceptionValues.map(({ id: misconceptionId, value }) => ({
            answer: writeNumber(value, "mixed"),
            name: nameOf(misconceptionId),
          })),
        ],
      };
    }),
  };
}
