import { demandThat } from "../model/fail";
import { type NoEstimate, noEstimate } from "../model/noEstimate";
import type { ComparedFigures } from "../model/reteach";
import { distribution } from "../numeric/distribution";
import { mean } from "../numeric/mean";
import { sampleVariance } from "../numeric/sampleVariance";

/** A student before and after a reteach, or at the same two times without one: chances of mastery or shares of a check. */
export interface BeforeAndAfter {
  readonly before: number;
  readonly after: number;
  /** What makes two students alike, on the scale of a chance; `before` unless stated. */
  readonly alike?: number;
}

/** Students are similar whose value before lies this near, and each member is compared with up to three of them. */
const CALIPER = 0.1;
const MOST_MATCHES = 3;
const USUAL_LEVEL = 0.95;

/**
 * Whether a group's members moved further than similar students who were not in it: each member's change less the mean
 * change of the nearest others before (matching with a caliper and replacement; Stuart 2010). The interval knows that the same others
 * are compared with several members, and how few they are: their changes are weighed by how often they serve, with degrees of freedom
 * by Welch (1947) and Satterthwaite (1946); `level` is 0.95 unless stated. Needs two matched members and two different others. Never a bare tick: it comes with its
 * interval and how many could be compared.
 * @throws CoreError "bad-argument", where this does not hold: Values before and after are finite.
 * @example comparedChange([{ before: 0.3, after: 0.8 }], [{ before: 0.3, after: 0.4 }]).noEstimate // "too-few-similar"
 */
export function comparedChange(
  members: readonly BeforeAndAfter[],
  others: readonly BeforeAndAfter[],
  level = USUAL_LEVEL,
): ComparedFigures | NoEstimate<"too-few-similar"> {
  demandThat(
    [...members, ...others].every(({ before, after }) => Number.isFinite(before) && Number.isFinite(after)),
    "Values before and after are finite.",
  );
  const matched = members.flatMap((member) => {
    const similar = similarTo(member, others);
    return similar.length > 0 ? [{ own: changeOf(member), similar }] : [];
  });
  const weights = new Map<BeforeAndAfter, number>();
  for (const { similar } of matched)
    for (const other of similar) weights.set(other, (weights.get(other) ?? 0) + 1 / (similar.length * matched.length));
  if (matched.length < 2 || weights.size < 2) return noEstimate("too-few-similar");
  const own = matched.map((pair) => pair.own);
  const changeOfSimilar = [...weights].reduce((sum, [other, weight]) => sum + weight * changeOf(other), 0);
  const difference = mean(own) - changeOfSimilar;
  const half = halfWidth(own, weights, level);
  return {
    change: mean(own),
    changeOfSimilar,
    difference,
    low: difference - half,
    high: difference + half,
    matched: matched.length,
    members: members.length,
    similar: weights.size,
  };
}

const changeOf = ({ before, after }: BeforeAndAfter): number => after - before;

const placeOf = ({ before, alike = before }: BeforeAndAfter): number => alike;

function similarTo<Other extends BeforeAndAfter>(member: BeforeAndAfter, others: readonly Other[]): Other[] {
  const distance = (other: BeforeAndAfter) => Math.abs(placeOf(other) - placeOf(member));
  return others
    .filter((other) => distance(other) <= CALIPER)
    .sort((x, y) => distance(x) - distance(y))
    .slice(0, MOST_MATCHES);
}

/**
 * Those of some others with whom members would be compared: the nearest of each within the caliper, each once, in the order given.
 * @example similarStudents([{ chance: 0.3 }], [{ chance: 0.35 }, { chance: 0.9 }]).length // 1
 */
export function similarStudents<Other extends { readonly chance: number }>(
  members: readonly { readonly chance: number }[],
  others: readonly Other[],
): Other[] {
  const asChange = <One extends { readonly chance: number }>(one: One) => ({
    one,
    before: one.chance,
    after: one.chance,
  });
  const found = new Set(
    members.flatMap((member) => similarTo(asChange(member), others.map(asChange)).map(({ one }) => one)),
  );
  return others.filter((other) => found.has(other));
}

/** Half of the interval: the members' mean and the weighed mean of the others are apart, each with its own variance. */
function halfWidth(own: readonly number[], weights: ReadonlyMap<BeforeAndAfter, number>, level: number): number {
  const ofMembers = sampleVariance(own) / own.length;
  const squares = [...weights.values()].reduce((sum, weight) => sum + weight * weight, 0);
  const ofOthers = sampleVariance([...weights.keys()].map(changeOf)) * squares;
  const variance = ofMembers + ofOthers;
  if (variance === 0) return 0;
  const freedom = variance ** 2 / (ofMembers ** 2 / (own.length - 1) + ofOthers ** 2 / (weights.size - 1));
  return distribution.studentQuantile(1 - (1 - level) / 2, freedom) * Math.sqrt(variance);
}
