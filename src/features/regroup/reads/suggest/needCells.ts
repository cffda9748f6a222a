import "server-only";
import { needOf } from "@/core/grouping/needOf";
import { readiness } from "@/core/grouping/readiness";
import { LEVEL_CUTS } from "@/core/model/levels";
import type { Classroom, ClassroomStudent } from "@/server/classroom/classroom";
import type { LibrarySkill } from "@/server/library/library";
import type { Basis, NeedCell } from "../../suggestTypes";

export interface Sign {
  readonly personId: string;
  readonly skillId: string;
  readonly misconceptionId: string;
  readonly times: number;
}

/** Weight from which a skill counts as near: past, taught now or next; from the second on it is taught now or next. */
const NEAR_WEIGHT = 0.7;
const TAUGHT_WEIGHT = 0.8;
/** A skill that builds on gaps is not worth a group yet. */
const LEAST_READY = 0.3;

/** What is near: past, taught now or next, and what that builds on directly; with how much each matters. */
export function nearSkills({ skills, weights }: Classroom): Map<string, number> {
  const weightOf = (id: string) => weights.get(id) ?? 0;
  const near = new Map(skills.filter(({ id }) => weightOf(id) >= NEAR_WEIGHT).map(({ id }) => [id, weightOf(id)]));
  for (const skill of skills.filter(({ id }) => weightOf(id) >= TAUGHT_WEIGHT))
    for (const id of skill.prerequisites) near.set(id, Math.max(NEAR_WEIGHT, weightOf(id)));
  return near;
}

export const readinessOf = (student: ClassroomStudent, skill: LibrarySkill): number =>
  readiness(skill.prerequisites, new Map([...student.gauges].map(([id, { chance }]) => [id, chance])));

/** One student in one skill, with the mistake shown most often. */
export function needCell(student: ClassroomStudent, skill: LibrarySkill, signs: readonly Sign[]): NeedCell {
  const gauge = student.gauges.get(skill.id);
  const [sign] = signs
    .filter(({ personId, skillId }) => personId === student.id && skillId === skill.id)
    .sort((x, y) => y.times - x.times);
  const tooLittle = gauge?.tooLittle ?? true;
  const basis: Basis = tooLittle ? (student.starts.get(skill.strandId)?.by ?? "grade") : gauge?.old ? "old" : "answers";
  return {
    chance: gauge?.chance ?? 0,
    level: gauge?.level ?? "beginning",
    tooLittle,
    basis,
    right: gauge?.rightFirstTries ?? 0,
    answered: gauge?.scoredAnswers ?? 0,
    ready: readinessOf(student, skill),
    misconceptionId: sign?.misconceptionId ?? null,
    times: sign?.times ?? 0,
  };
}

/** Need for a group: none for skills that are Secure, of which only the grade is known, or that build on gaps. */
export function needIn({ chance, basis, ready }: NeedCell, weight: number): number {
  if (basis === "grade" || chance >= LEVEL_CUTS.secure || ready < LEAST_READY) return 0;
  return needOf(chance, ready, weight);
}
