import "server-only";
import { readiness } from "@/core/grouping/readiness";
import { type WorthDoing, worthDoingFirst } from "@/core/grouping/worthDoingFirst";
import type { WhyFacts } from "@/core/model/whyFacts";
import { visitWithin } from "@/core/selection/expectedGain";
import { whyWorthDoing } from "@/core/why/whyWorthDoing";
import type { LibrarySkill } from "@/server/library/library";
import type { Classroom, ClassroomStudent } from "./classroom";

export interface WorthSkill extends WorthDoing {
  readonly skill: LibrarySkill;
  readonly why: WhyFacts["worthDoing"];
}

/**
 * What is worth doing first with a student in the minutes at hand; skills mastered now, or named as done already, are left out. What the class
 * will be taught anyway and the student has not met yet is no gap: it comes into it only where nothing else is left.
 */
export function worthFirst(
  student: ClassroomStudent,
  { skills, weights, plan, today }: Pick<Classroom, "skills" | "weights" | "plan" | "today">,
  minutes: number,
  done: ReadonlySet<string> = new Set(),
): WorthSkill[] {
  const chances = new Map([...student.gauges].map(([id, { chance }]) => [id, chance]));
  const workable = skills.flatMap((skill) => {
    const gauge = student.gauges.get(skill.id);
    if (!gauge || gauge.mark === "now" || done.has(skill.id)) return [];
    return [
      {
        id: skill.id,
        mastery: gauge.chance,
        learning: gauge.learning,
        ready: readiness(skill.prerequisites, chances),
        unlockedWeight: weights.get(skill.id) ?? 0,
      },
    ];
  });
  const visit = visitWithin(minutes);
  const toCome = new Set(plan.filter(({ fromDay }) => fromDay > today).map(({ skillId }) => skillId));
  const gaps = workable.filter(({ id }) => !toCome.has(id) || !(student.gauges.get(id)?.tooLittle ?? true));
  return worthDoingFirst(gaps.length > 0 ? gaps : workable, minutes).flatMap((worth) => {
    const skill = skills.find(({ id }) => id === worth.skillId);
    const state = workable.find(({ id }) => id === worth.skillId);
    return skill && state ? [{ ...worth, skill, why: whyWorthDoing(state, visit) }] : [];
  });
}
