import type { ItemParameters } from "../measurement/item";
import { probability } from "../measurement/probability";
import { MASTERY_BOUNDARY } from "./masteryBoundary";
import type { SkillBelief } from "./skillBelief";

/** One answer as evidence of ability in a skill. */
export interface AbilityEvidence {
  /** What was earned of what was possible, 0 (wrong) to 1 (right); in between, evidence for both in these shares. */
  readonly share: number;
  readonly item: ItemParameters;
  readonly skillDifficulty: number;
  /** How much the answer counts: 1 fully, 0 not at all (its likelihood is raised to this power). */
  readonly weight: number;
  /** Whether there was an opportunity to learn, or to forget, since the belief was formed. */
  readonly mayHaveChanged: boolean;
}

/**
 * What one opportunity may change in ability, up or down alike, in logits: a little as a rule, and much once in a while. Learning is seen,
 * never assumed.
 */
const DRIFT = 0.1;
const TURN = { chance: 0.05, spread: 1 } as const;
/** Share of answers that say nothing of ability: carelessness, luck, a neighbour. Without it one of them could undo ten others. */
const LAPSES = 0.04;
/** Nodes in each direction, and their distance in standard deviations: exact to some ten digits for items as sharp as any. */
const NODES = 24;
const STEP = 0.25;

/**
 * What is believed after an answer: Bayes' rule on the belief by the item's curve, kept as a normal distribution of the same mean and
 * variance (assumed density filtering, Opper 1998; an ability that moves, Glickman 1999). Whether ability drifted or turned before
 * the answer is weighed by how well each explains it (two models, West & Harrison 1997).
 * @example beliefAfter({ mean: 0, spread: 1 }, { share: 1, item: { a: 1.4, b: 0.75, c: 0 }, skillDifficulty: 0, weight: 1, mayHaveChanged: false }).mean.toFixed(2) // "0.49"
 */
export function beliefAfter({ mean, spread }: SkillBelief, evidence: AbilityEvidence): SkillBelief {
  if (!evidence.mayHaveChanged) return posterior({ mean, spread }, evidence);
  const drifted = posterior({ mean, spread: Math.hypot(spread, DRIFT) }, evidence);
  const turned = posterior({ mean, spread: Math.hypot(spread, DRIFT, TURN.spread) }, evidence);
  const [one, other] = [(1 - TURN.chance) * drifted.likelihood, TURN.chance * turned.likelihood];
  const share = other / (one + other);
  const middle = drifted.mean + share * (turned.mean - drifted.mean);
  const around = (belief: SkillBelief) => belief.spread ** 2 + (belief.mean - middle) ** 2;
  return { mean: middle, spread: Math.sqrt((1 - share) * around(drifted) + share * around(turned)) };
}

/** Mean and spread after the answer, and how likely the answer was. */
function posterior({ mean, spread }: SkillBelief, evidence: AbilityEvidence): SkillBelief & { likelihood: number } {
  const { share, item, skillDifficulty, weight } = evidence;
  const zero = skillDifficulty + MASTERY_BOUNDARY;
  let [total, first, second, plain] = [0, 0, 0, 0];
  for (let node = -NODES; node <= NODES; node++) {
    const z = node * STEP;
    const right = LAPSES / 2 + (1 - LAPSES) * probability(zero + mean + spread * z, item);
    const density = Math.exp((-z * z) / 2);
    const mass = density * (right ** share * (1 - right) ** (1 - share)) ** weight;
    plain += density;
    total += mass;
    first += mass * z;
    second += mass * z * z;
  }
  const shift = first / total;
  return {
    mean: mean + spread * shift,
    spread: spread * Math.sqrt(second / total - shift * shift),
    likelihood: total / plain,
  };
}
