import { demandThat } from "../model/fail";

/** The reported scale: 500 at the end of grade 6, 50 a logit (about 25 a grade). */
const CENTRE = 500;
const POINTS_PER_LOGIT = 50;

/**
 * Scale score 500 + 50 theta of an ability in logits with its standard error, both rounded to whole points when shown.
 * @throws CoreError "bad-argument", where this does not hold: A scale score needs a finite theta and se >= 0.
 * @example scaleScore({ theta: 0, se: 0.3 }) // { score: 500, se: 15 }
 */
export function scaleScore({ theta, se }: { readonly theta: number; readonly se: number }): {
  readonly score: number;
  readonly se: number;
} {
  demandThat(Number.isFinite(theta) && se >= 0, "A scale score needs a finite theta and se >= 0.", { theta, se });
  return { score: CENTRE + POINTS_PER_LOGIT * theta, se: POINTS_PER_LOGIT * se };
}
