export interface TraceStep {
  /** What was earned of what was possible, 0 (wrong) to 1 (right); in between, evidence for both in these shares. */
  readonly share: number;
  /** Chance of a right answer without mastery, 0 to 1. */
  readonly guess: number;
  /** Chance of a wrong answer with mastery, 0 to 1. */
  readonly slip: number;
  /** Chance of learning at this opportunity, 0 to 1. */
  readonly learn: number;
  /** How much the answer counts as evidence: 1 fully, 0 not at all (likelihoods are raised to this power). */
  readonly weight: number;
}

/**
 * One step of knowledge tracing (Corbett & Anderson 1995, equations 1 to 3): Bayes' rule on the answer, then the chance of
 * learning. The wrong-answer denominator is built from its own terms, since 1 - P(right) drifts above 1 with rounding.
 * An answer that earned a part of what was possible is taken as right with that share of the exponent and wrong with the rest.
 * Takes and gives a chance of mastery in [0, 1].
 * @example traceAnswer(0.5, { share: 1, guess: 0.2, slip: 0.1, learn: 0.1, weight: 1 }).toFixed(3) // "0.836"
 */
export function traceAnswer(mastery: number, step: TraceStep): number {
  const { share, guess, slip, learn, weight } = step;
  const likelihood = (ofRight: number, ofWrong: number) => (ofRight ** share * ofWrong ** (1 - share)) ** weight;
  const withMastery = mastery * likelihood(1 - slip, slip);
  const without = (1 - mastery) * likelihood(guess, 1 - guess);
  const evidence = withMastery + without;
  const posterior = evidence > 0 ? withMastery / evidence : mastery;
  return posterior + (1 - posterior) * learn;
}
