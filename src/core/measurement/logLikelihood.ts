import type { GivenAnswer } from "./givenAnswers";

/**
 * Natural logarithm of the likelihood of given answers at an ability in logits. Written with log(1 + e^x), so that it stays
 * finite for |a (theta - b)| up to 700 and beyond.
 * @example logLikelihood(0, givenAnswers([{ a: 1, b: 0, c: 0 }], [1])).toFixed(3) // "-0.693"
 */
export function logLikelihood(theta: number, given: readonly GivenAnswer[]): number {
  let sum = 0;
  for (const { item, score } of given) {
    const x = item.a * (theta - item.b);
    if (score === 0) sum += Math.log1p(-item.c) - softplus(x);
    else if (item.c === 0) sum -= softplus(-x);
    else sum += Math.log(item.c + (1 - item.c) / (1 + Math.exp(-x)));
  }
  return sum;
}

/** log(1 + e^x). */
function softplus(x: number): number {
  return x > 0 ? x + Math.log1p(Math.exp(-x)) : Math.log1p(Math.exp(x));
}
