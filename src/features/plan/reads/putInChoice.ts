import "server-only";
import { unitChecks } from "@/core/library/unitChecks";
import type { Library } from "@/server/library/library";
import { type ClassSlot, taughtIn } from "@/server/plan/classSlot";
import { checkTitle } from "@/words/staff/unitWords";
import type { PutInChoice } from "../types";

/** What can be put into a plan of a subject: what is not in it yet. */
export function putInChoice(
  library: Library,
  subjectId: string,
  slots: readonly ClassSlot[],
  kept: ReadonlyMap<string, { readonly title: string }>,
): PutInChoice {
  const planned = new Set(slots.flatMap(taughtIn));
  const units = library.units.filter((unit) => unit.subjectId === subjectId);
  const isPlanned = (unitId: string) => slots.some((slot) => slot.kind === "unit" && slot.unitId === unitId);
  const titles = new Set(slots.map(({ title }) => title));
  return {
    units: units.filter(({ id }) => !isPlanned(id)).map(({ id, name, grade }) => ({ id, name, grade })),
    skills: library.skills
      .filter((skill) => skill.subjectId === subjectId && !planned.has(skill.id))
      .map(({ id, name, grade }) => ({ id, name, grade })),
    tests: units
      .filter(({ id }) => isPlanned(id))
      .flatMap(({ id, name, grade, skillIds }) =>
        unitChecks(skillIds.flatMap((skillId) => library.skillIfKnown(skillId) ?? [])).map(({ moment }) => ({
          unitId: id,
          moment,
          name: checkTitle(moment, name),
          grade,
        })),
      )
      .filter(({ name }) => !titles.has(name)),
    works: [...kept]
      .filter(([id]) => !slots.some(({ workId }) => workId === id))
      .map(([id, { title }]) => ({ id, name: title })),
  };
}
