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
  return skills
    .filter((skill) => waited(skill, day) >= intervals)
    .sort((x, y) => waited(y, day) - waited(x, day) || (x.skillId < y.skillId ? -1 : 1));
}

/** Days since the last meeting, in stabilities. */
const waited = ({ lastDay, memory }: Pick<ReviewSkill, "memory" | "lastDay">, day: number): number =>
  Math.max(0, day - lastDay) / memory.stabilityDays;

/** What has fallen by this share of what makes a skill due may come early, where there are minutes left. */
const EARLY = 0.25;

/**
 * What a day may ask: what is due, least remembered first, then what is on its way there, for minutes that are left. What was met a short while ago is
 * not asked: it would show nothing. `due` says how many of them are due.
 * @example askable([{ skillId: "a", memory: { stabilityDays: 20, difficulty: 3 }, lastDay: 0 }], 12, 0.9).due // 0
 */
export function askable<Skill extends Pick<ReviewSkill, "skillId" | "memory" | "lastDay">>(
  skills: readonly Skill[],
  day: number,
  wanted: number,
): { readonly skills: readonly Skill[]; readonly due: number } {
  const open = dueSkills(skills, day, 1 - EARLY * (1 - wanted));
  const intervals = reviewMemory.daysUntil(1, wanted);
  const due = open.findIndex((skill) => waited(skill, day) < intervals);
  return { skills: open, due: due === -1 ? open.length : due };
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
