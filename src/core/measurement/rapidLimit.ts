import { demandThat } from "../model/fail";

/** Share of the item's median time, and the bounds of the limit in seconds. */
const SHARE_OF_MEDIAN = 0.1;
const LEAST_SECONDS = 1;
const MOST_SECONDS = 10;

/**
 * Seconds under which an answer counts as rapid: 10 % of the item's median time, from 1 to 10 s (Wise & Ma 2012). Where most of a class
 * rush, the median is of rushed answers; with `expectedSeconds` (see there) the longer of the two counts.
 * @throws CoreError "bad-argument", where this does not hold: A median time and an expected one are 0 s or more.
 * @example rapidLimit(40) // 4
 */
export function rapidLimit(medianSeconds: number, expectedSeconds = 0): number {
  const usual = Math.max(medianSeconds, expectedSeconds);
  demandThat(
    Math.min(medianSeconds, expectedSeconds) >= 0 && Number.isFinite(usual),
    "A median time and an expected one are 0 s or more.",
    {
      medianSeconds,
      expectedSeconds,
    },
  );
  return Math.min(MOST_SECONDS, Math.max(LEAST_SECONDS, SHARE_OF_MEDIAN * usual));
}
