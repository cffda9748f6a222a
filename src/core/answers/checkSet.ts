import { demandThat } from "../model/fail";
import { rational } from "../numeric/rational";
import { type PartialCheck, partialCheck } from "./partialCheck";

/**
 * Checks a choice of several, in any order and each counted once: right ones less wrong ones over the number wanted, not under
 * 0, so that choosing everything earns nothing extra. Throws "bad-argument" when nothing is wanted.
 * @example checkSet(["a", "b", "x"], ["a", "b"]).share.toFraction() // "1/2"
 */
export function checkSet(chosen: readonly string[], wanted: readonly string[]): PartialCheck {
  const [own, right] = [new Set(chosen), new Set(wanted)];
  demandThat(right.size > 0, "A set needs something that is right.");
  const hits = [...own].filter((member) => right.has(member)).length;
  const misses = own.size - hits;
  return partialCheck(rational(Math.max(0, hits - misses), right.size));
}
