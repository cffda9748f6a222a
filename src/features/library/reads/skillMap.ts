import "server-only";
import { LEVELS } from "@/core/model/levels";
import { LIBRARY_TABLES } from "@/db/queries/tableRevisions";
import { demandStaff } from "@/server/access/demand";
import { demandClasses } from "@/server/access/subjects";
import { loadClassroom } from "@/server/classroom/classroom";
import { type LibrarySkill, libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { kept } from "@/server/runtime/kept";
import { Refusal } from "@/server/runtime/refusal";
import type { SkillMapView } from "../types";
import { mapLayout, NODE } from "./mapLayout";

/** Maps that are kept, of the whole library and of single skills. */
const MOST_MAPS = 60;

/** Skills and what each builds on, through the grades, with how many students of the classes stand where; around one skill, or all. */
export async function skillMap(
  context: Context,
  { skillId, classIds }: { readonly skillId: string | null; readonly classIds: readonly string[] },
): Promise<SkillMapView> {
  const { schoolId } = demandStaff(context.actor);
  const { runtime } = context;
  if (classIds.length > 0) await demandClasses(context, "see", classIds);
  const [library, { skills, layout }, classroom] = await Promise.all([
    libraryOf(runtime),
    mapOf(runtime, skillId ?? ""),
    classIds.length === 0 ? null : loadClassroom(runtime, schoolId, classIds),
  ]);
  const codes = new Map(library.skillsAt(schoolId).map(({ id, standards }) => [id, standards[0]?.code ?? ""]));
  return {
    around: skillId === null ? null : { id: skillId, name: library.skill(skillId).name },
    width: layout.width,
    height: layout.height,
    node: NODE,
    grades: layout.grades,
    lines: layout.lines,
    students: classroom?.students.length ?? 0,
    skills: skills.map(({ id, name, grade, prerequisites, unlocks }) => {
      const gauges = classroom?.students.flatMap((student) => student.gauges.get(id) ?? []) ?? [];
      const met = gauges.filter(({ tooLittle }) => !tooLittle);
      const { x, y } = layout.places.get(id) ?? { x: 0, y: 0 };
      const isHere = (other: string) => layout.places.has(other);
      return {
        id,
        name,
        grade,
        code: codes.get(id) ?? "",
        x,
        y,
        buildsOn: prerequisites.filter(isHere),
        leadsTo: unlocks.filter(isHere),
        met: met.length,
        levels: LEVELS.map((level) => met.filter((gauge) => gauge.level === level).length),
      };
    }),
  };
}

const mapOf = kept(
  [...LIBRARY_TABLES],
  async (runtime, skillId) => {
    const library = await libraryOf(runtime);
    const skills = skillId === "" ? library.skills : around(library.skills, skillId);
    if (skills.length === 0) throw new Refusal("not-found", "This skill is not known.");
    return { skills, layout: mapLayout(skills) };
  },
  MOST_MAPS,
);

/** A skill, all that it builds on by whatever steps, and what leads on from it. */
function around(skills: readonly LibrarySkill[], skillId: string): LibrarySkill[] {
  const byId = new Map(skills.map((skill) => [skill.id, skill]));
  const wanted = new Set<string>();
  const walk = (id: string, next: (skill: LibrarySkill) => readonly string[]): void => {
    const skill = byId.get(id);
    if (!skill || (wanted.has(id) && id !== skillId)) return;
    wanted.add(id);
    for (const other of next(skill)) if (other !== skillId) walk(other, next);
  };
  walk(skillId, ({ prerequisites }) => prerequisites);
  walk(skillId, ({ unlocks }) => unlocks);
  return skills.filter(({ id }) => wanted.has(id));
}
