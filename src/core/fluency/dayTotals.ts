import type { Fact, FactAttempt } from "./fact";
import { factFluency } from "./factFluency";
import { factId } from "./factId";

const SECONDS_PER_MINUTE = 60;

/** What one day of fact practice came to. */
export interface FactDay {
  readonly day: number;
  readonly answered: number;
  readonly right: number;
  readonly inTime: number;
  readonly minutes: number;
  /** Facts that were fluent at the end of the day and not before it. */
  readonly newlyFluent: readonly string[];
}

/**
 * Totals of each day with attempts, oldest first. `attempts` oldest first; `limitOf` gives the limit of a fact in seconds.
 * @example dayTotals([{ fact: { operation: "add", left: 4, right: 6 }, right: true, seconds: 2, day: 100 }], () => 3).length // 1
 */
export function dayTotals(attempts: readonly FactAttempt[], limitOf: (fact: Fact) => number): FactDay[] {
  const days = [...new Set(attempts.map(({ day }) => day))].sort((x, y) => x - y);
  return days.map((day) => {
    const own = attempts.filter((attempt) => attempt.day === day);
    const until = attempts.filter((attempt) => attempt.day <= day);
    const before = attempts.filter((attempt) => attempt.day < day);
    const facts = new Map(own.map(({ fact }) => [factId(fact), fact]));
    const fluentIn = (some: readonly FactAttempt[], fact: Fact) => factFluency(fact, some, limitOf).fluent;
    return {
      day,
      answered: own.length,
      right: own.filter(({ right }) => right).length,
      inTime: own.filter(({ right, seconds, fact }) => right && seconds <= limitOf(fact)).length,
      minutes: own.reduce((sum, { seconds }) => sum + seconds, 0) / SECONDS_PER_MINUTE,
      newlyFluent: [...facts].filter(([, fact]) => fluentIn(until, fact) && !fluentIn(before, fact)).map(([id]) => id),
    };
  });
}
