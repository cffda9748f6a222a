import { logistic } from "../numeric/logistic";
import type { GivenAnswer } from "./givenAnswers";

/**
 * First derivative of the log-likelihood by theta: sum of a L (u - P) / P, L the logistic part of P (Lord 1980, equation 4-31).
 * @example scoreSlope(0, givenAnswers([{ a: 1, b: 0, c: 0 }], [1])) // 0.5
 */
export function scoreSlope(theta: number, given: readonly GivenAnswer[]): number {
  let sum = 0;
  for (const { item, score } of given) {
    const x = item.a * (theta - item.b);
    const right = logistic(x);
    // For a wrong answer (u - P) / P is -1 whatever P is; for a right one without guessing L / P is 1.
    if (score === 0) sum -= item.a * right;
    else {
      const share = item.c === 0 ? 1 : right / (item.c + (1 - item.c) * right);
      sum += item.a * share * (1 - item.c) * logistic(-x);
    }
  }
  return sum;
}
