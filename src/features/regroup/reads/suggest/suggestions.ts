import "server-only";
import { explainedGroups } from "@/core/grouping/explainers";
import type { Contradiction } from "@/core/grouping/groupProblem";
import { groupsGreedily } from "@/core/grouping/groupsGreedily";
import { besideLocked, type LockedGroup, withLocked } from "@/core/grouping/lockedGroups";
import { mixedGroups } from "@/core/grouping/mixedGroups";
import { planGroups } from "@/core/grouping/planGroups";
import { CoreError } from "@/core/model/fail";
import { LEVEL_CUTS } from "@/core/model/levels";
import { mean } from "@/core/numeric/mean";
import { classesById } from "@/db/queries/people";
import { groupsOfStudents } from "@/db/queries/regroup";
import { misconceptionSignsOf } from "@/db/queries/summaries";
import { demandClasses } from "@/server/access/subjects";
import { type Classroom, loadClassroom } from "@/server/classroom/classroom";
import { type Library, type LibrarySkill, libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { groupProblemOf } from "../../groupProblemOf";
import type { BestGroups, DraftGroup, Limits, SuggestedSkill, SuggestionView } from "../../suggestTypes";
import { nearSkills, needCell, needIn, type Sign } from "./needCells";

const LIMIT_SECONDS = 2;

/** What groups could be made of, and those that are found at once; better ones take a moment (`bestGroups`). */
export async function suggestions(
  context: Context,
  classIds: readonly string[],
  limits: Limits,
): Promise<SuggestionView> {
  await demandClasses(context, "see", classIds);
  const { runtime, actor } = context;
  const db = runtime.db.read;
  const classroom = await loadClassroom(runtime, actor.schoolId, classIds);
  const library = await libraryOf(runtime);
  const ids = classroom.students.map(({ id }) => id);
  const [signs, groups, homes] = await Promise.all([
    misconceptionSignsOf(db, ids),
    groupsOfStudents(db, ids, classroom.today),
    classesById(db, classIds),
  ]);
  const home = homes.find(({ id }) => id === classIds[0]);
  const near = nearSkills(classroom);
  const inFocus = skillsInFocus(classroom, library, limits, near, signs);
  const weightOf = (id: string) => near.get(id) ?? classroom.weights.get(id) ?? 0;
  const { focus } = limits;
  const meant = (personId: string, skillId: string) =>
    focus.on !== "mistake" ||
    signs.some((sign) => sign.personId === personId && sign.skillId === skillId && sign.misconceptionId === focus.id);
  const all = inFocus.map((skill) => {
    const cells = classroom.students.map((student) => needCell(student, skill, signs));
    const need = cells.map((cell, place) => (meant(ids[place] ?? "", skill.id) ? needIn(cell, weightOf(skill.id)) : 0));
    return { skill, cells, need };
  });
  // A skill that nobody needs is no choice for a group, unless it was asked for by name or somebody is fixed in it.
  const columns = all.filter(
    ({ skill, need }) =>
      need.some((one) => one > 0) || focus.on === "skill" || limits.fixed.some(({ skillId }) => skillId === skill.id),
  );
  const view: Omit<SuggestionView, "groups" | "contradiction"> = {
    limits,
    classIds,
    className: homes.map(({ name }) => name).join(", "),
    students: classroom.students.map((student) => ({
      id: student.id,
      name: student.shortName,
      place: placeOf([...near.keys()].map((id) => student.gauges.get(id)?.chance ?? 0)),
      meets: groups
        .filter(({ personId }) => personId === student.id)
        .flatMap(({ group }) => group.slots.map((slot) => ({ slot, group: group.name }))),
    })),
    skills: columns.map(({ skill }) => suggestedSkill(classroom, library, skill.id, home?.grade ?? skill.grade)),
    cells: classroom.students.map((_, student) => columns.flatMap(({ cells }) => cells[student] ?? [])),
    need: classroom.students.map((_, student) => columns.map(({ need }) => need[student] ?? 0)),
    misconceptions: Object.fromEntries(
      signs.map(({ misconceptionId }) => [misconceptionId, library.misconceptionName(misconceptionId)]),
    ),
    choices: choicesOf(classroom, library, near, signs),
    today: classroom.today,
  };
  try {
    return { ...view, groups: atOnce({ ...view, contradiction: null }), contradiction: null };
  } catch (error) {
    if (!(error instanceof CoreError) || error.code !== "contradiction") throw error;
    const students = (error.values.students ?? []) as readonly string[];
    const names = students.map((id) => view.students.find((student) => student.id === id)?.name ?? "");
    return { ...view, groups: [], contradiction: { wish: error.values.wish as Contradiction, names } };
  }
}

const placeOf = (chances: readonly number[]) => (chances.length === 0 ? 0 : mean(chances));

/** The groups found without a solver. */
function atOnce(view: Omit<SuggestionView, "groups">): DraftGroup[] {
  const { limits } = view;
  const students = view.students.filter(({ id }) => !limits.absent.includes(id));
  switch (limits.purpose) {
    case "need":
      return draftsOf(groupsGreedily(groupProblemOf(view)).groups);
    case "mixed": {
      if (students.length === 0) return [];
      const groups = Math.max(1, Math.ceil(students.length / limits.largest));
      const level = students.map(({ id, place }) => ({ id, level: place }));
      const { apart, together } = limits;
      return mixedGroups({ students: level, groups, keepApart: apart, keepTogether: together }).groups.map(
        (studentIds, place) => ({ key: `mixed-${place + 1}`, skillId: null, explainerIds: [], studentIds }),
      );
    }
    default:
      return explained(view);
  }
}

const draftsOf = (groups: readonly LockedGroup[]): DraftGroup[] =>
  groups.map(({ skillId, studentIds }) => ({ key: skillId, skillId, explainerIds: [], studentIds }));

/** Who can explain with who needs it, in the skill that most need and some can explain. */
function explained(view: Omit<SuggestionView, "groups">): DraftGroup[] {
  const { limits, students, skills, cells, need } = view;
  const asked = skills.map((skill, column) => {
    const candidates = students.flatMap(({ id }, row) => {
      const cell = cells[row]?.[column];
      if (!cell || limits.absent.includes(id)) return [];
      const canExplain = cell.basis === "answers" && !cell.tooLittle && cell.chance >= LEVEL_CUTS.secure;
      return [{ id, chance: cell.chance, canExplain, need: need[row]?.[column] ?? 0 }];
    });
    const total = candidates.reduce((sum, one) => sum + one.need, 0);
    return { skill, candidates, total: candidates.some(({ canExplain }) => canExplain) ? total : 0 };
  });
  const [most] = asked.sort((x, y) => y.total - x.total);
  if (!most || most.total === 0) return [];
  const atMost = Math.max(1, limits.largest - 1);
  // They explain all at once, so the times of the week set no bound.
  const groups = Math.ceil(most.candidates.filter((one) => one.need > 0).length / atMost);
  return explainedGroups(most.candidates, { groups, atMost, keepApart: limits.apart }).map(
    ({ explainerId, studentIds }) => ({
      key: `explain-${explainerId}`,
      skillId: most.skill.id,
      explainerIds: [explainerId],
      studentIds: [explainerId, ...studentIds],
    }),
  );
}

/** The best groups within the limits, beside those that are to stay as they are; proven best where there was time. */
export async function bestGroups(
  context: Context,
  classIds: readonly string[],
  limits: Limits,
  locked: readonly LockedGroup[],
): Promise<BestGroups> {
  const view = await suggestions(context, classIds, limits);
  if (view.contradiction !== null || limits.purpose !== "need") return { groups: view.groups, quality: "greedy" };
  const problem = groupProblemOf(view);
  const kept = locked
    .filter(({ skillId }) => problem.skillIds.includes(skillId))
    .map(({ skillId, studentIds }) => ({
      skillId,
      studentIds: studentIds.filter((id) => problem.studentIds.includes(id)),
    }));
  const rest = await planGroups(besideLocked(problem, kept), context.runtime.solve, LIMIT_SECONDS);
  const plan = withLocked(problem, kept, rest);
  return { groups: draftsOf(plan.groups), quality: plan.quality };
}

function skillsInFocus(
  { skills }: Classroom,
  library: Library,
  { focus, fixed }: Limits,
  near: ReadonlyMap<string, number>,
  signs: readonly Sign[],
) {
  const unit = focus.on === "unit" ? library.units.find(({ id }) => id === focus.id) : undefined;
  const isMeant = ({ id, strandId }: LibrarySkill): boolean => {
    switch (focus.on) {
      case "near":
        return near.has(id);
      case "all":
        return true;
      case "strand":
        return strandId === focus.id;
      case "unit":
        return unit?.skillIds.includes(id) ?? false;
      case "skill":
        return id === focus.id;
      case "mistake":
        return signs.some(({ misconceptionId, skillId }) => misconceptionId === focus.id && skillId === id);
    }
  };
  return skills.filter((skill) => isMeant(skill) || fixed.some(({ skillId }) => skillId === skill.id));
}

function suggestedSkill(
  { plan, today }: Classroom,
  library: Library,
  skillId: string,
  classGrade: number,
): SuggestedSkill {
  const { id, name, grade, unlocks } = library.skill(skillId);
  const [next] = plan
    .filter((entry) => unlocks.includes(entry.skillId) && entry.fromDay > today)
    .sort((x, y) => x.fromDay.localeCompare(y.fromDay));
  return {
    id,
    name,
    grade,
    below: grade < classGrade,
    next: next ? { name: library.skill(next.skillId).name, fromDay: next.fromDay } : null,
  };
}

function choicesOf(
  classroom: Classroom,
  library: Library,
  near: ReadonlyMap<string, number>,
  signs: readonly Sign[],
): SuggestionView["choices"] {
  const known = new Set(classroom.skills.map(({ id }) => id));
  const planned = new Set(classroom.plan.map(({ skillId }) => skillId));
  const times = new Map<string, number>();
  for (const { misconceptionId, skillId } of signs)
    if (known.has(skillId)) times.set(misconceptionId, (times.get(misconceptionId) ?? 0) + 1);
  return {
    strands: [...new Map(classroom.skills.map(({ strandId, strand }) => [strandId, strand]))].map(([id, name]) => ({
      id,
      name,
    })),
    units: library.units
      .filter(({ skillIds }) => skillIds.some((id) => planned.has(id)))
      .map(({ id, name }) => ({ id, name })),
    skills: classroom.skills.filter(({ id }) => near.has(id)).map(({ id, name }) => ({ id, name })),
    mistakes: [...times]
      .sort((x, y) => y[1] - x[1])
      .slice(0, MISTAKES_OFFERED)
      .map(([id]) => ({ id, name: library.misconceptionName(id) })),
  };
}

const MISTAKES_OFFERED = 12;
