import { demandThat } from "../model/fail";
import { mean } from "../numeric/mean";
import { quantile } from "../numeric/quantile";
import type { ReviewSkill } from "./reviewSkill";
import { type ReviewOutlook, type SimulatedWeek, simulateReview } from "./simulateReview";
import { studentMemory } from "./studentMemory";

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

/** A student of a class whose review is forecast. */
export interface ForecastStudent {
  readonly skills: readonly ReviewSkill[];
  readonly outlook: ReviewOutlook;
}

const RUNS = 200;
const BAND = { low: 0.1, high: 0.9 } as const;

/**
 * What review will be in the coming weeks, by simulating the daily queue (`simulateReview`). 200 runs with the seeded generator
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
  return forecastClass([{ skills, outlook }], () => random, runs);
}

/**
 * The same as the mean over some students; those without a skill left count in nothing. Each run takes a generator of its own for each student, so that
 * two forecasts with the same generators differ by what was changed alone. Minutes are those of one student.
 * @throws CoreError "bad-argument", where this does not hold: A forecast needs a run and 0 minutes or more.
 */
export function forecastClass(
  students: readonly ForecastStudent[],
  randomOf: (run: number, student: number) => () => number,
  runs: number,
): ForecastWeek[] | null {
  demandThat(
    runs >= 1 && students.every(({ outlook }) => outlook.minutesPerDay >= 0),
    "A forecast needs a run and 0 minutes or more.",
    { runs },
  );
  const kept = students.flatMap(({ skills, outlook }, place) => {
    const left = skills.filter(({ skillId }) => !(outlook.dropped ?? []).includes(skillId));
    return left.length === 0 ? [] : [{ place, left, outlook, memory: outlook.memory ?? studentMemory([]) }];
  });
  if (kept.length === 0) return null;
  const outcomes = Array.from({ length: runs }, (_, run) =>
    kept.map(({ place, left, outlook, memory }) => simulateReview(left, outlook, memory, randomOf(run, place))),
  );
  const weeks = Math.max(...(outcomes[0] ?? []).map((own) => own.length));
  return Array.from({ length: weeks }, (_, week) =>
    weekOf(outcomes.map((run) => run.flatMap((own) => own[week] ?? []))),
  );
}

/** One week over all runs, each as the mean of its students. */
function weekOf(runs: readonly (readonly SimulatedWeek[])[]): ForecastWeek {
  const gaps = runs.flatMap((students) => {
    const own = students.flatMap((student) => student.gaps);
    return own.length > 0 ? [mean(own)] : [];
  });
  return {
    remembered: banded(runs.map((students) => mean(students.map(({ remembered }) => remembered)))),
    minutesNeeded: banded(runs.map((students) => mean(students.map((student) => student.minutesNeeded)))),
    daysBetween: gaps.length > 0 ? banded(gaps) : null,
  };
}

function banded(values: readonly number[]): Banded {
  return { expected: mean(values), low: quantile(values, BAND.low), high: quantile(values, BAND.high) };
}
