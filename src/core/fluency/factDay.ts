import type { Fact, FactAttempt } from "./fact";
import { type AttemptsByFact, factFluency } from "./factFluency";
import { factId } from "./factId";

/** Longer than this nobody thinks about a fact: they were away. */
export const AWAY_FROM_SECONDS = 30;

/** What one day of fact practice came to. */
export interface FactDay {
  readonly answered: number;
  readonly right: number;
  readonly inTime: number;
  /** Of practice; what somebody was away does not count. */
  readonly seconds: number;
  /** Ids of facts that are fluent with the day and were not before it. */
  readonly newlyFluent: readonly string[];
}

/**
 * Totals of a day. `attempts`: those of the day, any order; `all`: the attempts that count at the day's end, by fact; `limitOf` gives the limit
 * of a fact in seconds.
 * @example factDay([], new Map(), 100, () => 3) // { answered: 0, right: 0, inTime: 0, seconds: 0, newlyFluent: [] }
 */
export function factDay(
  attempts: readonly FactAttempt[],
  all: AttemptsByFact,
  day: number,
  limitOf: (fact: Fact) => number,
): FactDay {
  const before = new Map([...all].map(([id, own]) => [id, own.filter((attempt) => attempt.day < day)]));
  const touched = new Map(attempts.map(({ fact }) => [factId(fact), fact]));
  return {
    answered: attempts.length,
    right: attempts.filter(({ right }) => right).length,
    inTime: attempts.filter(({ right, seconds, fact }) => right && seconds <= limitOf(fact)).length,
    seconds: attempts.reduce((sum, { seconds }) => sum + Math.min(seconds, AWAY_FROM_SECONDS), 0),
    newlyFluent: [...touched]
      .filter(([, fact]) => factFluency(fact, all, limitOf).fluent && !factFluency(fact, before, limitOf).fluent)
      .map(([id]) => id),
  };
}
