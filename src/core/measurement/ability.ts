import type { NoEstimate } from "../model/noEstimate";

/** An ability on the vertical scale with its standard error, both in logits, and the number of answers behind it. */
export interface Ability {
  readonly theta: number;
  readonly se: number;
  readonly n: number;
}

/** Why the answers alone give no finite ability. */
export type NoAbility = NoEstimate<"no-answers" | "all-right" | "all-wrong" | "no-maximum">;
