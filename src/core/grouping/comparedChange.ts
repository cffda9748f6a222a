import { demandThat } from "../model/fail";
import { type NoEstimate, noEstimate } from "../model/noEstimate";
import { distribution } from "../numeric/distribution";
import { mean } from "../numeric/mean";
import { sampleVariance } from "../numeric/sampleVariance";

/** A student before and after a reteach, or at the same two times without one: chances of mastery or shares of a check. */
export interface BeforeAndAfter {
  readonly before: number;
  readonly after: number;
}

export interface ComparedChange {
  /** Mean change of the group's members, and of the similar students matched to them. */
  readonly change: number;
  readonly changeOfSimilar: number;
  /** Their difference with its 95 % interval. */
  readonly difference: number;
  readonly low: number;
  readonly high: number;
  /** Members that could be matched, of all, and different students they were matched with. */
  readonly matched: number;
  readonly members: number;
  readonly similar: number;
}

/** Students are similar whose value before lies this near, and each member is compared with up to three of them. */
const CALIPER = 0.1;
const MOST_MATCHES = 3;
const LEVEL = 0.95;

/**
 * Whether a group's members moved further than similar students who were not in it: each member's change less the mean
 * change of the nearest others before (matching with a caliper and replacement; Stuart 2010), with Student's interval over
 * the members. Needs two matched members. Never a bare tick: it comes with its interval and how many could be compared.
 * @throws CoreError "bad-argument", where this does not hold: Values before and after are finite.
 * @example comparedChange([{ before: 0.3, after: 0.8 }], [{ before: 0.3, after: 0.4 }]).noEstimate // "too-few-similar"
 */
export function comparedChange(
  members: readonly BeforeAndAfter[],
  others: readonly BeforeAndAfter[],
): ComparedChange | NoEstimate<"too-few-similar"> {
  demandThat(
    [...members, ...others].every(({ before, after }) => Number.isFinite(before) && Number.isFinite(after)),
    "Values before and after are finite.",
  );
  const used = new Set<BeforeAndAfter>();
  const pairs = members.flatMap((member) => {
    const distance = (other: BeforeAndAfter) => Math.abs(other.before - member.before);
    const similar = others
      .filter((other) => distance(other) <= CALIPER)
      .sort((x, y) => distance(x) - distance(y))
      .slice(0, MOST_MATCHES);
    for (const other of similar) used.add(other);
    const changeOfSimilar = similar.map(({ before, after }) => after - before);
    return similar.length > 0 ? [{ own: member.after - member.before, similar: mean(changeOfSimilar) }] : [];
  });
  if (pairs.length < 2) return noEstimate("too-few-similar");
  const differences = pairs.map(({ own, similar }) => own - similar);
  const difference = mean(differences);
  const deviate = distribution.studentQuantile(1 - (1 - LEVEL) / 2, pairs.length - 1);
  const half = deviate * Math.sqrt(sampleVariance(differences) / pairs.length);
  return {
    change: mean(pairs.map(({ own }) => own)),
    changeOfSimilar: mean(pairs.map(({ similar }) => similar)),
    difference,
    low: difference - half,
    high: difference + half,
    matched: pairs.length,
    members: members.length,
    similar: used.size,
  };
}
