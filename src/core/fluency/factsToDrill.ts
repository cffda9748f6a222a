import { shuffled } from "../numeric/shuffled";
import type { Fact } from "./fact";
import type { FactFluency } from "./factFluency";
import { factId } from "./factId";
import type { FactFamily } from "./placeFacts";

/** From this chance on a fact counts as known in a drill: one answer in time is enough, and it is asked again until it is fluent. */
const KNOWN_FROM = 0.7;

/**
 * Whether a fact counts as known in a drill, though it need not be fluent yet.
 * @example isKnownInDrill({ chance: 0.75, attempts: 1 }) // true
 */
export const isKnownInDrill = ({ chance, attempts }: Pick<FactFluency, "chance" | "attempts">): boolean =>
  attempts > 0 && chance >= KNOWN_FROM;

/** New facts come from so many families at once. */
const OPEN_FAMILIES = 2;
const MOST_UNKNOWN = 6;
const MOST_KNOWN = 24;

/** Facts for a day's drill, by their ids: those to be learned, and known ones to fold them in among. */
export interface FactsToDrill {
  readonly unknown: readonly string[];
  readonly known: readonly string[];
}

/**
 * What to drill on a day: first what was begun and is not known yet, then what was never asked of the first two families that are not known
 * throughout; among known facts those that are not fluent yet, then those not met for longest.
 * @param families in the order in which they are to be learned
 * @param random in [0, 1), for the order of what is alike
 * @example factsToDrill([], () => ({ chance: 0.5, doubt: 0.4, fluent: false, attempts: 0, days: 0, lastDay: null }), () => 0) // { unknown: [], known: [] }
 */
export function factsToDrill(
  families: readonly FactFamily[],
  fluencyOf: (fact: Fact) => FactFluency,
  random: () => number,
): FactsToDrill {
  const standing = families.map(({ facts }) =>
    shuffled(facts, random).map((fact) => ({ id: factId(fact), ...fluencyOf(fact) })),
  );
  const all = standing.flat();
  const begun = all.filter((fact) => fact.attempts > 0 && !isKnownInDrill(fact));
  const open = standing.filter((facts) => !facts.every(isKnownInDrill)).slice(0, OPEN_FAMILIES);
  const fresh = open.flat().filter(({ attempts }) => attempts === 0);
  const known = all
    .filter(isKnownInDrill)
    .sort((x, y) => Number(x.fluent) - Number(y.fluent) || (x.lastDay ?? 0) - (y.lastDay ?? 0));
  return {
    unknown: [...begun, ...fresh].slice(0, MOST_UNKNOWN).map(({ id }) => id),
    known: known.slice(0, MOST_KNOWN).map(({ id }) => id),
  };
}
