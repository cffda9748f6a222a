/** Priors of an item's parameters: log a and b normal, c beta with `right` and `wrong` as its two counts (Mislevy 1986). */
export interface ItemPrior {
  readonly logA?: { readonly mean: number; readonly sd: number };
  readonly b?: { readonly mean: number; readonly sd: number };
  readonly c?: { readonly right: number; readonly wrong: number };
}

/**
 * Priors of the three-parameter model, without which a and c of easy items drift apart: a around 1.3, b within the range of
 * the scale, c as if one in five of 20 weak students had guessed right.
 */
export const THREE_PARAMETER_PRIOR = {
  logA: { mean: 0.25, sd: 0.5 },
  b: { mean: 0, sd: 2 },
  c: { right: 5, wrong: 17 },
} as const satisfies ItemPrior;

/** Gradient and curvature (minus the second derivative) that a prior adds, by the free parameters log a, b, logit c. */
export function priorPull(free: readonly number[], prior: ItemPrior): { gradient: number[]; curvature: number[] } {
  const [logA = 0, b = 0, logitC] = free;
  const normal = (value: number, law: { mean: number; sd: number } | undefined) =>
    law ? { gradient: (law.mean - value) / law.sd ** 2, curvature: 1 / law.sd ** 2 } : { gradient: 0, curvature: 0 };
  const parts = [normal(logA, prior.logA), normal(b, prior.b)];
  if (logitC !== undefined) {
    const c = 1 / (1 + Math.exp(-logitC));
    const { right, wrong } = prior.c ?? THREE_PARAMETER_PRIOR.c;
    const total = right + wrong - 2;
    parts.push({ gradient: right - 1 - total * c, curvature: total * c * (1 - c) });
  }
  return { gradient: parts.map((part) => part.gradient), curvature: parts.map((part) => part.curvature) };
}
