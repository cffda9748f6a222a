import { demandThat } from "../model/fail";
import { type NoEstimate, noEstimate } from "../model/noEstimate";
import { rapidLimit } from "./rapidLimit";

/** One answer's time and the median time of its item over the students who were given it, and where known what it is expected to take, in seconds. */
export interface TimedAnswer {
  readonly seconds: number;
  readonly itemMedianSeconds: number;
  readonly itemExpectedSeconds?: number;
}

/** Share of answers that were not rapid, 0 to 1, and which were, in the order given. */
export interface Effort {
  readonly share: number;
  readonly rapid: readonly boolean[];
  readonly n: number;
}

/**
 * A student's response-time effort (Wise & Kong 2005): rapid answers can then be set aside from theta.
 * @throws CoreError "bad-argument", where this does not hold: An answer takes 0 s or more.
 * @example effort([{ seconds: 2, itemMedianSeconds: 40 }, { seconds: 30, itemMedianSeconds: 40 }]) // { share: 0.5, rapid: [true, false], n: 2 }
 */
export function effort(answers: readonly TimedAnswer[]): Effort | NoEstimate<"no-answers"> {
  if (answers.length === 0) return noEstimate("no-answers");
  const rapid = answers.map(({ seconds, itemMedianSeconds, itemExpectedSeconds }) => {
    demandThat(seconds >= 0, "An answer takes 0 s or more.", { seconds });
    return seconds < rapidLimit(itemMedianSeconds, itemExpectedSeconds);
  });
  return { share: rapid.filter((fast) => !fast).length / rapid.length, rapid, n: rapid.length };
}
