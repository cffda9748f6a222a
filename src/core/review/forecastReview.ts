import { demandThat } from "../model/fail";
import { mean } from "../numeric/mean";
import { quantile } from "../numeric/quantile";
import { minutesNeeded } from "./minutesNeeded";
import { reviewMemory } from "./reviewMemory";
import { reviewQueue } from "./reviewQueue";
import type { ReviewSkill } from "./reviewSkill";
import { type StudentMemory, studentMemory } from "./studentMemory";

export interface ReviewOutlook {
  /** First day of the forecast, and for each day from it whether school is kept. */
  readonly fromDay: number;
  readonly taught: readonly boolean[];
  readonly minutesPerDay: number;
  /** Skills no longer asked, whose memory still counts, and skills taken out altogether. */
  readonly resting?: readonly string[];
  readonly dropped?: readonly string[];
  /** What the student's past reviews say of memory; what is known of anybody without it. */
  readonly memory?: StudentMemory;
}

/** A value expected with the band that holds four of five simulated runs. */
export interface Banded {
  readonly expected: number;
  readonly low: number;
  readonly high: number;
}

export interface ForecastWeek {
  /** Mean chance of recall over the skills at the end of the week's last day. */
  readonly remembered: Banded;
  /** Minutes a week that would then keep every asked skill above the wanted recall. */
  readonly minutesNeeded: Banded;
  /** Mean days since the last meeting of the skills reviewed in the week; null when none is in any run. */
  readonly daysBetween: Banded | null;
}

const DAYS_PER_WEEK = 7;
const RUNS = 200;
const BAND = { low: 0.1, high: 0.9 } as const;

/**
 * What review will be in the coming weeks, by simulating the daily queue: on each taught day the queue is asked as far as the
 * minutes reach, each answer is right with its chance of recall, memories are updated. 200 runs with the seeded generator
 * given, each with a student and skills that remember somewhat better or worse than the model takes them to, as likely as past reviews leave
 * it, so that the band is one for what will truly be remembered. Call it with and without resting or dropped skills to compare. Null when no skill is left.
 * @throws CoreError "bad-argument", where this does not hold: A forecast needs a run and 0 minutes or more.
 */
export function forecastReview(
  skills: readonly ReviewSkill[],
  outlook: ReviewOutlook,
  random: () => number,
  runs: number = RUNS,
): ForecastWeek[] | null {
  demandThat(runs >= 1 && outlook.minutesPerDay >= 0, "A forecast needs a run and 0 minutes or more.", { runs });
  const kept = skills.filter(({ skillId }) => !(outlook.dropped ?? []).includes(skillId));
  if (kept.length === 0) return null;
  const memory = outlook.memory ?? studentMemory([]);
  const outcomes = Array.from({ length: runs }, () => oneRun(kept, outlook, memory, random));
  const weeks = Math.ceil(outlook.taught.length / DAYS_PER_WEEK);
  return Array.from({ length: weeks }, (_, week) => {
    const own = outcomes.map((run) => run[week] as WeekOutcome);
    const gaps = own.flatMap(({ daysBetween }) => (daysBetween === null ? [] : [daysBetween]));
    return {
      remembered: banded(own.map(({ remembered }) => remembered)),
      minutesNeeded: banded(own.map((outcome) => outcome.minutesNeeded)),
      daysBetween: gaps.length > 0 ? banded(gaps) : null,
    };
  });
}

interface WeekOutcome {
  readonly remembered: number;
  readonly minutesNeeded: number;
  readonly daysBetween: number | null;
}

function oneRun(
  skills: readonly ReviewSkill[],
  outlook: ReviewOutlook,
  student: StudentMemory,
  random: () => number,
): WeekOutcome[] {
  const factors = student.draw(
    skills.map(({ skillId }) => skillId),
    random,
  );
  const recallOf = ({ skillId, memory, lastDay }: ReviewSkill, day: number) =>
    reviewMemory.recall(memory.stabilityDays * (factors.get(skillId) ?? 1), day - lastDay);
  const resting = new Set(outlook.resting ?? []);
  const current = new Map(skills.map((skill) => [skill.skillId, skill]));
  const weeks: WeekOutcome[] = [];
  let gaps: number[] = [];
  outlook.taught.forEach((taught, ahead) => {
    const day = outlook.fromDay + ahead;
    if (taught) {
      const asked = [...current.values()].filter(({ skillId }) => !resting.has(skillId));
      for (const skillId of reviewQueue(asked, { day, minutes: outlook.minutesPerDay }).skillIds) {
        const skill = current.get(skillId) as ReviewSkill;
        gaps.push(day - skill.lastDay);
        current.set(skillId, meet(skill, day, random() < recallOf(skill, day)));
      }
    }
    const endsWeek = (ahead + 1) % DAYS_PER_WEEK === 0 || ahead === outlook.taught.length - 1;
    if (!endsWeek) return;
    const all = [...current.values()];
    weeks.push({
      remembered: mean(all.map((skill) => recallOf(skill, day))),
      minutesNeeded: minutesNeeded(
        all.filter(({ skillId }) => !resting.has(skillId)),
        0,
      ).needed,
      daysBetween: gaps.length > 0 ? mean(gaps) : null,
    });
    gaps = [];
  });
  return weeks;
}

function meet(skill: ReviewSkill, day: number, right: boolean): ReviewSkill {
  const elapsed = day - skill.lastDay;
  const memory = elapsed > 0 ? reviewMemory.next(skill.memory, elapsed, right ? 3 : 1) : skill.memory;
  return { ...skill, memory, lastDay: day };
}

function banded(values: readonly number[]): Banded {
  return { expected: mean(values), low: quantile(values, BAND.low), high: quantile(values, BAND.high) };
}
