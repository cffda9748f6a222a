import { demandThat } from "../model/fail";
import type { Score } from "../model/score";
import { traceAnswer } from "./traceAnswer";

/** Classical four-parameter model: chance of mastery at the start, of learning, of slipping and of guessing; all in [0, 1]. */
export interface KnowledgeModel {
  readonly initial: number;
  readonly learn: number;
  readonly slip: number;
  readonly guess: number;
}

/**
 * Chance of mastery after each of a row of answers under one set of parameters (Corbett & Anderson 1995). Throws
 * "bad-argument" when a parameter lies outside [0, 1] or a response is none. Null (not given) leaves the chance as it is.
 * Example: initial 0.5, learn 0, slip 0.1, guess 0.2 and one right answer give 0.45 / 0.55 = 0.818.
 * @example traceKnowledge({ initial: 0.3, learn: 0.1, slip: 0.1, guess: 0.2 }, [true, false]).map((chance) => chance.toFixed(3)) // ["0.693", "0.298"]
 */
export function traceKnowledge(model: KnowledgeModel, responses: readonly (Score | boolean)[]): number[] {
  for (const [name, value] of Object.entries(model))
    demandThat(value >= 0 && value <= 1, `${name} must lie in 0 to 1.`, { ...model });
  let mastery = model.initial;
  return responses.map((response) => {
    demandThat(response === null || Number(response) === 0 || Number(response) === 1, "A response is 1, 0 or null.", {
      response,
    });
    if (response === null) return mastery;
    const share = Number(response);
    mastery = traceAnswer(mastery, { share, guess: model.guess, slip: model.slip, learn: model.learn, weight: 1 });
    return mastery;
  });
}
