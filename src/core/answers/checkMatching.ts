import { demandThat } from "../model/fail";
import { rational } from "../numeric/rational";
import { type PartialCheck, partialCheck } from "./partialCheck";

/**
 * Checks pairs: the share of the wanted ones that were made; a partner left open is not wrong, it earns nothing.
 * @throws CoreError "bad-argument", where this does not hold: A matching needs a pair.
 * @example checkMatching({ a: "1", b: "2" }, { a: "1", b: "3" }).share.toFraction() // "1/2"
 */
export function checkMatching(
  given: Readonly<Record<string, string | null>>,
  wanted: Readonly<Record<string, string>>,
): PartialCheck {
  const pairs = Object.entries(wanted);
  demandThat(pairs.length > 0, "A matching needs a pair.");
  const hits = pairs.filter(([member, partner]) => Object.hasOwn(given, member) && given[member] === partner).length;
  return partialCheck(rational(hits, pairs.length));
}
