import { demandThat } from "../model/fail";
import { logSum } from "../numeric/logSum";

/**
 * How far a student's ability with one passage lies from ability as a whole, in logits: a standard deviation. Passages of reading tests were found
 * between 0.3 and 1 (Wainer, Bradlow & Wang 2007); `localDependence` shows where one of ours lies beyond.
 */
export const PASSAGE_SPREAD = 0.6;
/** Nodes and their distance in standard deviations: exact to 1e-6 for the few items of a passage. */
const NODES = 8;
const STEP = 0.5;

/**
 * Logarithm of the likelihood of all answers to one passage at an ability, the student's own effect of the passage integrated out (testlet
 * response model; Wainer, Bradlow & Wang 2007): what a passage's items tell beyond the first counts less, and the error is as wide as it truly is.
 * `logLikelihood`: of the answers at an ability in logits.
 * @example overPassage(0, () => Math.log(0.5)).toFixed(4) // "-0.6931"
 */
export function overPassage(
  theta: number,
  logLikelihood: (ability: number) => number,
  spread: number = PASSAGE_SPREAD,
): number {
  const heights: number[] = [];
  let plain = 0;
  for (let node = -NODES; node <= NODES; node++) {
    const z = node * STEP;
    plain += Math.exp((-z * z) / 2);
    heights.push(logLikelihood(theta + spread * z) - (z * z) / 2);
  }
  return logSum(heights) - Math.log(plain);
}

/**
 * What the n-th answer to one passage counts against an answer that hangs on none: n answers that tell I each of ability with the passage tell
 * nI / (1 + nIσ²) of ability as a whole; this is the share that the n-th adds.
 * @throws CoreError "bad-argument", where this does not hold: Answers are counted from 1, and information is 0 or more.
 * @example passageWeight(1, 0.3).toFixed(2) // "0.90"
 */
export function passageWeight(answers: number, information: number, spread: number = PASSAGE_SPREAD): number {
  demandThat(
    Number.isInteger(answers) && answers >= 1 && information >= 0,
    "Answers are counted from 1, and information is 0 or more.",
    { answers, information },
  );
  const lost = information * spread ** 2;
  return 1 / ((1 + answers * lost) * (1 + (answers - 1) * lost));
}
