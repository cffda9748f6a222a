import { mean } from "../numeric/mean";
import { askable, fitting } from "./dueSkills";
import { minutesNeeded } from "./minutesNeeded";
import { reviewMemory } from "./reviewMemory";
import { type ReviewSkill, WANTED_RECALL } from "./reviewSkill";
import type { StudentMemory } from "./studentMemory";

export interface ReviewOutlook {
  /** First day of the forecast, and for each day from it whether school is kept. */
  readonly fromDay: number;
  readonly taught: readonly boolean[];
  readonly minutesPerDay: number;
  /** A skill is asked again once its recall has fallen to this. */
  readonly wanted?: number;
  /** Skills no longer asked, whose memory still counts, and skills taken out altogether. */
  readonly resting?: readonly string[];
  readonly dropped?: readonly string[];
  /** What the student's past reviews say of memory; what is known of anybody without it. */
  readonly memory?: StudentMemory;
}

/** How a week ended in one simulated run. */
export interface SimulatedWeek {
  readonly remembered: number;
  readonly minutesNeeded: number;
  /** Days between two meetings of the skills reviewed in the week. */
  readonly gaps: readonly number[];
}

const DAYS_PER_WEEK = 7;

/**
 * One possible course of one student's review: on each taught day the queue is asked as far as the minutes reach, each answer is right with its true
 * chance of recall, memories are updated as the model takes them. `skills`: those that are kept, resting ones too.
 */
export function simulateReview(
  skills: readonly ReviewSkill[],
  outlook: ReviewOutlook,
  student: StudentMemory,
  random: () => number,
): SimulatedWeek[] {
  const factors = student.draw(
    skills.map(({ skillId }) => skillId),
    random,
  );
  const recallOf = ({ skillId, memory, lastDay }: ReviewSkill, day: number) =>
    reviewMemory.recall(memory.stabilityDays * (factors.get(skillId) ?? 1), day - lastDay);
  const wanted = outlook.wanted ?? WANTED_RECALL;
  const resting = new Set(outlook.resting ?? []);
  const rested = skills.filter(({ skillId }) => resting.has(skillId));
  const asked = new Map(skills.flatMap((one) => (resting.has(one.skillId) ? [] : [[one.skillId, one] as const])));
  const weeks: SimulatedWeek[] = [];
  let gaps: number[] = [];
  outlook.taught.forEach((taught, ahead) => {
    const day = outlook.fromDay + ahead;
    if (taught)
      for (const skill of fitting(askable([...asked.values()], day, wanted).skills, outlook.minutesPerDay)) {
        gaps.push(day - skill.lastDay);
        asked.set(skill.skillId, meet(skill, day, random() < recallOf(skill, day)));
      }
    const endsWeek = (ahead + 1) % DAYS_PER_WEEK === 0 || ahead === outlook.taught.length - 1;
    if (!endsWeek) return;
    weeks.push({
      remembered: mean(remembering([...asked.values(), ...rested]).map((skill) => recallOf(skill, day))),
      minutesNeeded: minutesNeeded([...asked.values()], 0, wanted).needed,
      gaps,
    });
    gaps = [];
  });
  return weeks;
}

/** What counts among what is remembered: that which was mastered once; all of it where nothing was. */
function remembering(skills: readonly ReviewSkill[]): readonly ReviewSkill[] {
  const known = skills.filter(({ wasMastered }) => wasMastered !== false);
  return known.length > 0 ? known : skills;
}

function meet(skill: ReviewSkill, day: number, right: boolean): ReviewSkill {
  const elapsed = day - skill.lastDay;
  const memory = elapsed > 0 ? reviewMemory.next(skill.memory, elapsed, right ? 3 : 1) : skill.memory;
  return { ...skill, memory, lastDay: day };
}
