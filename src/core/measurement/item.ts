import { demandThat } from "../model/fail";

/** Parameters of an item: discrimination a > 0, difficulty b in logits, guessing 0 <= c < 1. */
export interface ItemParameters {
  readonly a: number;
  readonly b: number;
  readonly c: number;
}

/**
 * Throws "bad-argument" unless a > 0, 0 <= c < 1 and all are finite.
 * @example demandItem({ a: 1, b: 0, c: 0.2 }) // undefined
 */
export function demandItem({ a, b, c }: ItemParameters): void {
  demandThat(
    a > 0 && c >= 0 && c < 1 && Number.isFinite(a) && Number.isFinite(b),
    "An item needs a > 0, 0 <= c < 1 and finite a and b.",
    { a, b, c },
  );
}
