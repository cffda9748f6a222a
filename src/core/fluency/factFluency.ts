import type { Fact, FactAttempt } from "./fact";
import { factId } from "./factId";
import { relatedFacts } from "./relatedFacts";

export interface FactFluency {
  /** Recency-weighted chance of a right answer within the limit, 0 to 1. */
  readonly chance: number;
  /** How far that may be off: the standard deviation of a share from as many attempts as the weights come to. */
  readonly doubt: number;
  readonly fluent: boolean;
  /** Attempts at the fact itself that count, and the different days they come from. */
  readonly attempts: number;
  readonly days: number;
  /** Day number of the latest attempt at the fact itself; null before the first. */
  readonly lastDay: number | null;
}

const FLUENT_FROM = 0.9;
const LEAST_DAYS = 2;
/** Further attempts after which one counts half. */
const HALF_LIFE_ATTEMPTS = 6;
/** Attempts that count: an older one would count a tenth at most. */
export const ATTEMPTS_THAT_COUNT = 20;
/** What a further attempt on a day counts of the first: right after a meeting a fact comes to anybody. */
const AGAIN_WEIGHT = 0.2;
/** What an attempt at a related fact counts of one at the fact itself. */
const RELATED_WEIGHT = 0.2;
/** Jeffreys' prior: half an attempt in time and half one not. */
const PRIOR = 0.5;

/** Attempts by the id of their fact, oldest first. */
export type AttemptsByFact = ReadonlyMap<string, readonly FactAttempt[]>;

/**
 * Whether a fact is known by heart: the chance of a right answer within the student's limit is at least 0.9, with attempts
 * from two or more days. Newer attempts count more; related facts lend a little, but no days. `limitOf` gives the limit in seconds of a fact.
 * @example factFluency({ operation: "add", left: 4, right: 6 }, new Map([["4+6", [{ fact: { operation: "add", left: 4, right: 6 }, right: true, seconds: 2, day: 100 }]]]), () => 3).attempts // 1
 */
export function factFluency(fact: Fact, attempts: AttemptsByFact, limitOf: (fact: Fact) => number): FactFluency {
  const own = latest(attempts.get(factId(fact)) ?? []);
  const lent = latest(
    relatedFacts(fact)
      .flatMap((related) => attempts.get(factId(related)) ?? [])
      .sort((x, y) => x.day - y.day),
  );
  const [known, total] = [...weigh(own, 1, limitOf), ...weigh(lent, RELATED_WEIGHT, limitOf)].reduce(
    ([right, all], { weight, success }) => [right + (success ? weight : 0), all + weight],
    [0, 0],
  );
  const size = total + 2 * PRIOR;
  const chance = (known + PRIOR) / size;
  const days = new Set(own.map(({ day }) => day)).size;
  return {
    chance,
    doubt: Math.sqrt((chance * (1 - chance)) / (size + 1)),
    fluent: chance >= FLUENT_FROM && days >= LEAST_DAYS,
    attempts: own.length,
    days,
    lastDay: own.at(-1)?.day ?? null,
  };
}

const latest = (attempts: readonly FactAttempt[]) => attempts.slice(-ATTEMPTS_THAT_COUNT);

function weigh(attempts: readonly FactAttempt[], weight: number, limitOf: (fact: Fact) => number) {
  const own = attempts.map(({ day }, place) => (day === attempts[place - 1]?.day ? AGAIN_WEIGHT : 1));
  let later = 0;
  return attempts
    .map((attempt, place) => ({ attempt, own: own[place] ?? 0 }))
    .reverse()
    .map(({ attempt, own: counts }) => {
      const weighed = {
        weight: weight * counts * 0.5 ** (later / HALF_LIFE_ATTEMPTS),
        success: attempt.right && attempt.seconds <= limitOf(attempt.fact),
      };
      later += counts;
      return weighed;
    });
}
