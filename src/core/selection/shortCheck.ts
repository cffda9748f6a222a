import { demandThat } from "../model/fail";
import type { CheckVerdict } from "../model/work";

/** One answer of a short check with its item's chance of a right answer without mastery and of a wrong one with it. */
export interface CheckAnswer {
  readonly right: boolean;
  readonly guess: number;
  readonly slip: number;
}

export interface ShortCheck {
  /** Null while it goes on. */
  readonly verdict: CheckVerdict | null;
  readonly done: boolean;
  /** Natural logarithm of the odds of mastered against not, from these answers alone. */
  readonly logOdds: number;
}

const LEAST_ITEMS = 2;
/** The most items that a skill is asked. */
export const MOST_OF_SHORT_CHECK = 5;
/** Chance of either wrong verdict. */
const ERROR_RATE = 0.1;

/**
 * Wald's sequential probability ratio test (1945) between mastered and not, error rates 10 % each: decided when the log odds
 * leave +- ln 9, from 2 items on; undecided after 5. Verdict null while it goes on.
 * @throws CoreError "bad-argument", where this does not hold: Guess and slip lie above 0 and together below 1.
 * @example shortCheck([{ right: true, guess: 0.2, slip: 0.1 }]).done // false
 */
export function shortCheck(answers: readonly CheckAnswer[]): ShortCheck {
  const logOdds = answers.reduce((sum, { right, guess, slip }) => {
    demandThat(guess > 0 && slip > 0 && guess + slip < 1, "Guess and slip lie above 0 and together below 1.", {
      guess,
      slip,
    });
    return sum + (right ? Math.log((1 - slip) / guess) : Math.log(slip / (1 - guess)));
  }, 0);
  const limit = Math.log((1 - ERROR_RATE) / ERROR_RATE);
  const decided = answers.length >= LEAST_ITEMS && Math.abs(logOdds) >= limit;
  if (decided) return { verdict: logOdds > 0 ? "mastered" : "not-mastered", done: true, logOdds };
  return answers.length >= MOST_OF_SHORT_CHECK
    ? { verdict: "undecided", done: true, logOdds }
    : { verdict: null, done: false, logOdds };
}
