import "server-only";
import { currentEntry } from "@/core/calendar/currentEntry";
import { LEVEL_CUTS } from "@/core/model/levels";
import type { LibrarySkill } from "@/server/library/library";
import type { Classroom, ClassroomStudent } from "./classroom";

/**
 * The gap to close first for a student on the way to a skill: the deepest skill not Secure under it (itself when
 * everything underneath is Secure); null when the skill is Secure.
 */
function firstGapOf(student: ClassroomStudent, skillId: string, skills: readonly LibrarySkill[]): LibrarySkill | null {
  const skill = skills.find(({ id }) => id === skillId);
  if (!skill || (student.gauges.get(skillId)?.chance ?? 0) >= LEVEL_CUTS.secure) return null;
  for (const id of skill.prerequisites) {
    const gauge = student.gauges.get(id);
    // An untouched prerequisite is no gap that was shown.
    if (gauge && !gauge.tooLittle && gauge.chance < LEVEL_CUTS.secure) return firstGapOf(student, id, skills);
  }
  return skill;
}

/**
 * The gap worth closing first: the deepest one under what is being taught now; when nothing is missing there, the first
 * skill of the plan up to now that was tried and is not Secure. Null when everything up to now is Secure.
 */
export function gapWorthFirst(student: ClassroomStudent, { plan, skills, today }: Classroom): LibrarySkill | null {
  const current = currentEntry(plan, today);
  const under = current ? firstGapOf(student, current.skillId, skills) : null;
  if (under) return under;
  const open = plan.find(({ skillId, fromDay }) => {
    const gauge = student.gauges.get(skillId);
    return fromDay <= today && gauge !== undefined && !gauge.tooLittle && gauge.chance < LEVEL_CUTS.secure;
  });
  return skills.find(({ id }) => id === open?.skillId) ?? null;
}
