import "server-only";
import { LEVELS } from "@/core/model/levels";
import { classScope } from "@/core/roster/classScope";
import { classesById } from "@/db/queries/people";
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

/** Maps that are kept, of grades, of subjects and of single skills. */
const MOST_MAPS = 60;

/**
 * Skills and what each builds on, through the grades, with how many students of the classes stand where: around one skill, around
 * the grade of the classes, or all of their subject.
 */
export async function skillMap(
  context: Context,
  {
    skillId,
    classIds,
    all = false,
  }: { readonly skillId: string | null; readonly classIds: readonly string[]; readonly all?: boolean },
): Promise<SkillMapView> {
  const { schoolId } = demandStaff(context.actor);
  const { runtime } = context;
  if (classIds.length > 0) await demandClasses(context, "see", classIds);
  const [library, classes] = await Promise.all([libraryOf(runtime), classesById(runtime.db.read, classIds)]);
  const [first] = classes;
  const [subject] = classScope(first ? [first.subject] : [], library.subjectsAt(schoolId));
  const key = skillId !== null ? `around ${skillId}` : `of ${subject?.id ?? ""} ${all ? "" : (first?.grade ?? "")}`;
  const [{ skills, layout }, classroom] = await Promise.all([
    mapOf(runtime, key),
    classIds.length === 0 ? null : loadClassroom(runtime, schoolId, classIds),
  ]);
  const codes = new Map(library.skillsAt(schoolId).map(({ id, standards }) => [id, standards[0]?.code ?? ""]));
  return {
    around: skillId === null ? null : { id: skillId, name: library.skill(skillId).name },
    grade: skillId === null && !all ? (first?.grade ?? null) : null,
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
  async (runtime, key) => {
    const { skills: every } = await libraryOf(runtime);
    const [what, id = "", grade = ""] = key.split(" ");
    const ofSubject = every.filter(({ subjectId }) => id === "" || subjectId === id);
    const ofGrade = ofSubject.filter((skill) => String(skill.grade) === grade);
    const skills =
      what === "around" ? around(every, id) : ofGrade.length === 0 ? ofSubject : withNeighbours(ofSubject, ofGrade);
    if (skills.length === 0) throw new Refusal("not-found", "This skill is not known.");
    return { skills, layout: mapLayout(skills) };
  },
  MOST_MAPS,
);

/** Skills with what they directly build on and lead to. */
function withNeighbours(skills: readonly LibrarySkill[], own: readonly LibrarySkill[]): LibrarySkill[] {
  const wanted = new Set(own.flatMap(({ id, prerequisites, unlocks }) => [id, ...prerequisites, ...unlocks]));
  return skills.filter(({ id }) => wanted.has(id));
}

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
