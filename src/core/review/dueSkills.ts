import { reviewMemory } from "./reviewMemory";
import type { ReviewSkill } from "./reviewSkill";

/**
 * The skills that are due on a day, least remembered first. Recall falls with the days since the last meeting over the stability alone, so that this
 * orders them without working out any recall.
 * @example dueSkills([{ skillId: "a", strandId: "s", memory: { stabilityDays: 5, difficulty: 3 }, lastDay: 0, minutes: 1 }], 6, 0.9).length // 1
 */
export function dueSkills<Skill extends Pick<ReviewSkill, "skillId" | "memory" | "lastDay">>(
  skills: readonly Skill[],
  day: number,
  wanted: number,
): Skill[] {
  const intervals = reviewMemory.daysUntil(1, wanted);
  const waited = (skill: Skill) => Math.max(0, day - skill.lastDay) / skill.memory.stabilityDays;
  return skills
    .filter((skill) => waited(skill) >= intervals)
    .sort((x, y) => waited(y) - waited(x) || (x.skillId < y.skillId ? -1 : 1));
}

/**
 * As many of them, from the first on, as fit into the minutes. One always fits, however few the minutes above 0.
 * @example fitting([{ minutes: 3 }, { minutes: 3 }], 5).length // 1
 */
export function fitting<Skill extends { readonly minutes: number }>(due: readonly Skill[], minutes: number): Skill[] {
  const chosen: Skill[] = [];
  let spent = 0;
  for (const skill of due) {
    const fits = spent + skill.minutes <= minutes || (chosen.length === 0 && minutes > 0);
    if (!fits) break;
    chosen.push(skill);
    spent += skill.minutes;
  }
  return chosen;
}
