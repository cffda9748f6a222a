import { mean } from "../numeric/mean";

const DAYS_A_WEEK = 7;
const WEEKS_BEFORE = 3;
/** Days of practice without a new fact after which somebody is taken to be stuck. */
const STALLED_AFTER_DAYS = 4;
const STALL_WITHIN_DAYS = 21;

interface DayOfFacts {
  readonly day: number;
  readonly seconds: number;
  readonly newlyFluent: readonly string[];
}

export interface FactMomentum {
  /** Facts that became fluent in the last seven days, and a week on average in the three before. */
  readonly thisWeek: number;
  readonly before: number;
  /** Practised on four days and more of late, and nothing new came of the last four. */
  readonly stalled: boolean;
}

/**
 * Facts learned this week against the three weeks before, and whether somebody practises and gets no further.
 * @param days any order; `today` is a day number
 * @example factMomentum([{ day: 100, seconds: 120, newlyFluent: ["6*7"] }], 100) // { thisWeek: 1, before: 0, stalled: false }
 */
export function factMomentum(days: readonly DayOfFacts[], today: number): FactMomentum {
  const learned = (from: number, to: number) =>
    days.filter(({ day }) => day > from && day <= to).reduce((sum, { newlyFluent }) => sum + newlyFluent.length, 0);
  const weekBefore = (weeks: number) => learned(today - (weeks + 1) * DAYS_A_WEEK, today - weeks * DAYS_A_WEEK);
  const recent = days
    .filter(({ day, seconds }) => day > today - STALL_WITHIN_DAYS && day <= today && seconds > 0)
    .sort((x, y) => y.day - x.day)
    .slice(0, STALLED_AFTER_DAYS);
  return {
    thisWeek: weekBefore(0),
    before: mean(Array.from({ length: WEEKS_BEFORE }, (_, week) => weekBefore(week + 1))),
    stalled: recent.length === STALLED_AFTER_DAYS && recent.every(({ newlyFluent }) => newlyFluent.length === 0),
  };
}
