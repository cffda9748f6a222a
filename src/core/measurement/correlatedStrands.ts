import { demandThat } from "../model/fail";
import { inverseOfPositive } from "../numeric/inverseOfPositive";

/** A strand as it was measured on its own: ability and error without any prior, in logits. */
export interface MeasuredStrand {
  readonly theta: number;
  readonly se: number;
}

/** What is believed of all strands together: their means, spreads and correlations in the student's population. */
export interface StrandPopulation {
  readonly means: readonly number[];
  readonly sds: readonly number[];
  readonly correlations: readonly (readonly number[])[];
}

/**
 * What the other strands say of one that was not measured: the normal distribution of strand `strand` given the others' measures, each
 * with its error (null where a strand was not measured). A prior for its diagnostic.
 * @throws CoreError "bad-argument", where this does not hold: Strands need a population with a positive definite correlation.
 * @example strandPrior(1, [{ theta: 1, se: 0 }, null], { means: [0, 0], sds: [1, 1], correlations: [[1, 0.6], [0.6, 1]] }).mean.toFixed(2) // "0.60"
 */
export function strandPrior(
  strand: number,
  measured: readonly (MeasuredStrand | null)[],
  population: StrandPopulation,
): { readonly mean: number; readonly sd: number } {
  const { means, sds, correlations } = population;
  const covariance = (one: number, other: number) =>
    (correlations[one]?.[other] ?? 0) * (sds[one] ?? 0) * (sds[other] ?? 0);
  const others = measured.flatMap((measure, place) => (measure && place !== strand ? [{ ...measure, place }] : []));
  const inverse = inverseOfPositive(
    others.map((one) => others.map((other) => covariance(one.place, other.place) + (one === other ? one.se ** 2 : 0))),
  );
  demandThat(
    inverse !== null && (sds[strand] ?? 0) > 0,
    "Strands need a population with a positive definite correlation.",
    { strand },
  );
  // Regression on the others (Anderson 2003, theorem 2.5.1).
  const weights = others.map((_, row) =>
    others.reduce((sum, other, column) => sum + (inverse?.[row]?.[column] ?? 0) * covariance(other.place, strand), 0),
  );
  const mean = others.reduce(
    (sum, { theta, place }, n) => sum + (weights[n] ?? 0) * (theta - (means[place] ?? 0)),
    means[strand] ?? 0,
  );
  const explained = others.reduce((sum, { place }, n) => sum + (weights[n] ?? 0) * covariance(place, strand), 0);
  return { mean, sd: Math.sqrt(Math.max(0, covariance(strand, strand) - explained)) };
}

/**
 * A composite of strands by weights, with its error: the strands' errors are apart, since each has answers of its own.
 * @throws CoreError "bad-argument", where this does not hold: A composite needs a weight for each strand, together above 0.
 * @example composite([{ theta: 1, se: 0.3 }, { theta: 0, se: 0.4 }], [1, 1]) // { theta: 0.5, se: 0.25 }
 */
export function composite(strands: readonly MeasuredStrand[], weights: readonly number[]): MeasuredStrand {
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  demandThat(
    strands.length === weights.length && total > 0 && weights.every((weight) => weight >= 0),
    "A composite needs a weight for each strand, together above 0.",
    { strands: strands.length, total },
  );
  const share = (place: number) => (weights[place] ?? 0) / total;
  return {
    theta: strands.reduce((sum, { theta }, place) => sum + share(place) * theta, 0),
    se: Math.sqrt(strands.reduce((sum, { se }, place) => sum + (share(place) * se) ** 2, 0)),
  };
}
