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
  const [logA = 0, b = 0, logitC = 0] = free;
  const gradient = free.map(() => 0);
  const curvature = free.map(() => 0);
  const pull = (place: number, value: number, law: { mean: number; sd: number } | undefined) => {
    if (!law) return;
    gradient[place] = (law.mean - value) / law.sd ** 2;
    curvature[place] = 1 / law.sd ** 2;
  };
  pull(0, logA, prior.logA);
  pull(1, b, prior.b);
  if (prior.c) {
    const c = 1 / (1 + Math.exp(-logitC));
    const total = prior.c.right + prior.c.wrong - 2;
    gradient[2] = prior.c.right - 1 - total * c;
    curvature[2] = total * c * (1 - c);
  }
  return { gradient, curvature };
}
