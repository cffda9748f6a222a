import { demandThat } from "../model/fail";
import { type NoEstimate, noEstimate } from "../model/noEstimate";

/** How far two raters agree beyond chance, with its large-sample error. */
export interface RaterAgreement {
  /** 1 for perfect agreement, 0 for chance, under 0 for less. */
  readonly kappa: number;
  readonly se: number;
  /** Share of pairs in which both gave the same, and in which they lay next to each other or nearer. */
  readonly exact: number;
  readonly adjacent: number;
  readonly n: number;
}

/**
 * Kappa with quadratic weights (Cohen 1968) of two raters' scores on a scale 0 to `highest`, one pair a work; the standard error by Fleiss, Cohen
 * & Everitt (1969). No estimate under 2 pairs, and where both gave one and the same score to all.
 * @throws CoreError "bad-argument", where this does not hold: Scores are whole numbers from 0 to the highest.
 * @example weightedKappa([[0, 0], [1, 1], [2, 2]], 2).kappa // 1
 */
export function weightedKappa(
  pairs: readonly (readonly [number, number])[],
  highest: number,
): RaterAgreement | NoEstimate<"too-few-pairs" | "no-variance"> {
  const isScore = (score: number) => Number.isInteger(score) && score >= 0 && score <= highest;
  demandThat(
    highest >= 1 && pairs.every(([one, other]) => isScore(one) && isScore(other)),
    "Scores are whole numbers from 0 to the highest.",
    { highest },
  );
  const n = pairs.length;
  if (n < 2) return noEstimate("too-few-pairs");
  const scale = Array.from({ length: highest + 1 }, (_, score) => score);
  const weight = (one: number, other: number) => 1 - ((one - other) / highest) ** 2;
  const share = (of: (pair: readonly [number, number]) => boolean) => pairs.filter(of).length / n;
  const rows = scale.map((score) => share(([one]) => one === score));
  const columns = scale.map((score) => share(([, other]) => other === score));
  const cells = scale.map((one) => scale.map((other) => share((pair) => pair[0] === one && pair[1] === other)));
  const sum = (of: (one: number, other: number) => number) =>
    scale.reduce((total, one) => total + scale.reduce((line, other) => line + of(one, other), 0), 0);
  const seen = sum((one, other) => weight(one, other) * (cells[one]?.[other] ?? 0));
  const byChance = sum((one, other) => weight(one, other) * (rows[one] ?? 0) * (columns[other] ?? 0));
  if (byChance === 1) return noEstimate("no-variance");
  const kappa = (seen - byChance) / (1 - byChance);
  const rowMean = scale.map((one) =>
    scale.reduce((total, other) => total + weight(one, other) * (columns[other] ?? 0), 0),
  );
  const columnMean = scale.map((other) =>
    scale.reduce((total, one) => total + weight(one, other) * (rows[one] ?? 0), 0),
  );
  const spread = sum(
    (one, other) =>
      (cells[one]?.[other] ?? 0) *
      (weight(one, other) - ((rowMean[one] ?? 0) + (columnMean[other] ?? 0)) * (1 - kappa)) ** 2,
  );
  const variance = (spread - (kappa - byChance * (1 - kappa)) ** 2) / (n * (1 - byChance) ** 2);
  return {
    kappa,
    se: Math.sqrt(Math.max(0, variance)),
    exact: share(([one, other]) => one === other),
    adjacent: share(([one, other]) => Math.abs(one - other) <= 1),
    n,
  };
}
