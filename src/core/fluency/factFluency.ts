import type { Fact, FactAttempt } from "./fact";
import { factId } from "./factId";
import { relatedFacts } from "./relatedFacts";

export interface FactFluency {
  /** Recency-weighted chance of a right answer within the limit, 0 to 1. */
  readonly chance: number;
  readonly fluent: boolean;
  /** Attempts at the fact itself, and the different days they come from. */
  readonly attempts: number;
  readonly days: number;
}

const FLUENT_FROM = 0.9;
const LEAST_DAYS = 2;
/** Further attempts after which one counts half. */
const HALF_LIFE_ATTEMPTS = 6;
/** What an attempt at a related fact counts of one at the fact itself. */
const RELATED_WEIGHT = 0.2;
/** Jeffreys' prior: half an attempt in time and half one not. */
const PRIOR = 0.5;

/**
 * Whether a fact is known by heart: the chance of a right answer within the student's limit is at least 0.9, with attempts
 * from two or more days. Newer attempts count more; related facts lend a little, but no days. `attempts` hold any facts,
 * oldest first; `limitOf` gives the limit in seconds of a fact.
 * @example factFluency({ operation: "add", left: 4, right: 6 }, [{ fact: { operation: "add", left: 4, right: 6 }, right: true, seconds: 2, day: 100 }], () => 3).attempts // 1
 */
export function factFluency(
  fact: Fact,
  attempts: readonly FactAttempt[],
  limitOf: (fact: Fact) => number,
): FactFluency {
  const id = factId(fact);
  const related = new Set(relatedFacts(fact).map(factId));
  const own = attempts.filter((attempt) => factId(attempt.fact) === id);
  const lent = attempts.filter((attempt) => related.has(factId(attempt.fact)));
  const [known, total] = [...weigh(own, 1, limitOf), ...weigh(lent, RELATED_WEIGHT, limitOf)].reduce(
    ([right, all], { weight, success }) => [right + (success ? weight : 0), all + weight],
    [0, 0],
  );
  const chance = (known + PRIOR) / (total + 2 * PRIOR);
  const days = new Set(own.map(({ day }) => day)).size;
  return { chance, fluent: chance >= FLUENT_FROM && days >= LEAST_DAYS, attempts: own.length, days };
}

function weigh(attempts: readonly FactAttempt[], weight: number, limitOf: (fact: Fact) => number) {
  return attempts.map((attempt, place) => ({
    weight: weight * 0.5 ** ((attempts.length - 1 - place) / HALF_LIFE_ATTEMPTS),
    success: attempt.right && attempt.seconds <= limitOf(attempt.fact),
  }));
}
