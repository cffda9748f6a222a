import { demandThat } from "../model/fail";
import { type NoEstimate, noEstimate } from "../model/noEstimate";
import { median } from "../numeric/median";

/** A number copied by a student: its digits and the seconds until it was entered. */
export interface TypingSample {
  readonly digits: number;
  readonly seconds: number;
}

const LEAST_SAMPLES = 5;

/**
 * A student's own seconds for entering one digit: the median over at least five copied numbers.
 * @throws CoreError "bad-argument", where this does not hold: A typing sample has digits from 1 and seconds above 0.
 * @example typingTime([{ digits: 2, seconds: 1 }]).noEstimate // "too-few-samples"
 */
export function typingTime(
  samples: readonly TypingSample[],
): { readonly secondsPerDigit: number; readonly n: number } | NoEstimate<"too-few-samples"> {
  demandThat(
    samples.every(({ digits, seconds }) => Number.isInteger(digits) && digits >= 1 && seconds > 0),
    "A typing sample has digits from 1 and seconds above 0.",
  );
  if (samples.length < LEAST_SAMPLES) return noEstimate("too-few-samples");
  return { secondsPerDigit: median(samples.map(({ digits, seconds }) => seconds / digits)), n: samples.length };
}
