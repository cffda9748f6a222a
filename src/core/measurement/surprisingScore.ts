import { MASTERY_BOUNDARY } from "../mastery/masteryBoundary";
import type { SkillBelief } from "../mastery/skillBelief";
import { demandThat } from "../model/fail";
import { type NoEstimate, noEstimate } from "../model/noEstimate";
import type { ItemParameters } from "./item";
import { probability } from "./probability";
import { scoreDistribution } from "./scoreDistribution";

/** The items of one skill in a test, and what was believed of the student in it before. */
export interface BelievedItems {
  readonly belief: SkillBelief;
  /** Of the skill, in logits. */
  readonly difficulty: number;
  readonly items: readonly ItemParameters[];
}

/** A number right against what was to be expected. */
export interface SurprisingScore {
  readonly right: number;
  readonly items: number;
  /** Mean number right under the beliefs. */
  readonly expected: number;
  /** Chance of a number right as far out as this, on its side: the rest of the tail and half of the number itself (mid-p, Lancaster 1961). */
  readonly chance: number;
  readonly verdict: "above" | "below" | "as-expected";
}

/** Fewer items tell nothing about a whole test. */
const LEAST_ITEMS = 5;
/** So seldom on either side that a week of a class brings hardly one by luck alone. */
const SELDOM = 0.0025;
const POINTS = 25;
const REACH = 4;

/**
 * Whether a number right is one that what was believed before hardly allows. Its distribution is exact given the abilities (Lord & Wingersky 1984),
 * averaged over what is believed of each skill (as in posterior predictive checks, Rubin 1984); skills are taken as independent.
 * @param right Items right, 0 to all.
 * @throws CoreError "bad-argument", where this does not hold: A number right lies from 0 to the number of items.
 * @example surprisingScore(0, [{ belief: { mean: 2, spread: 0.3 }, difficulty: 0, items: Array(8).fill({ a: 1.4, b: 0, c: 0 }) }]).verdict // "below"
 */
export function surprisingScore(
  right: number,
  skills: readonly BelievedItems[],
): SurprisingScore | NoEstimate<"too-few-items"> {
  const items = skills.reduce((sum, skill) => sum + skill.items.length, 0);
  demandThat(
    Number.isInteger(right) && right >= 0 && right <= items,
    "A number right lies from 0 to the number of items.",
    { right, items },
  );
  if (items < LEAST_ITEMS) return noEstimate("too-few-items");
  const shares = skills.map(sharesOfSkill).reduce(together, [1]);
  const tail = (from: number, to: number) => shares.slice(from, to).reduce((sum, share) => sum + share, 0);
  const own = (shares[right] ?? 0) / 2;
  const [below, above] = [tail(0, right) + own, tail(right + 1, items + 1) + own];
  const chance = Math.min(below, above);
  return {
    right,
    items,
    expected: shares.reduce((sum, share, count) => sum + share * count, 0),
    chance,
    verdict: chance >= SELDOM ? "as-expected" : below < above ? "below" : "above",
  };
}

/** Chances of each number right in one skill, over a grid of its believed abilities. */
function sharesOfSkill({ belief, difficulty, items }: BelievedItems): number[] {
  const places = Array.from({ length: POINTS }, (_, n) => -REACH + (2 * REACH * n) / (POINTS - 1));
  const weights = places.map((z) => Math.exp(-(z ** 2) / 2));
  const whole = weights.reduce((sum, weight) => sum + weight, 0);
  const shares = new Array<number>(items.length + 1).fill(0);
  places.forEach((z, n) => {
    const theta = belief.mean + z * belief.spread + difficulty + MASTERY_BOUNDARY;
    scoreDistribution(items.map((item) => probability(theta, item))).forEach((share, count) => {
      shares[count] = (shares[count] ?? 0) + (share * (weights[n] ?? 0)) / whole;
    });
  });
  return shares;
}

/** The distribution of the sum of two independent counts. */
function together(one: readonly number[], other: readonly number[]): number[] {
  const sum = new Array<number>(one.length + other.length - 1).fill(0);
  one.forEach((p, m) => {
    other.forEach((q, n) => {
      sum[m + n] = (sum[m + n] ?? 0) + p * q;
    });
  });
  return sum;
}
