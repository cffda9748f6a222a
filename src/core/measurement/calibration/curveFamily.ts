/** Parameters in the free scale in which they are estimated: log a, then b, or one step difficulty after the other, and logit c where guessing counts. */
export type FreeItem = readonly number[];

/** How the chances of an item's outcomes (0, 1, … points) hang on ability, for the engine that estimates its parameters. */
export interface CurveFamily {
  /** Outcomes: points possible and one. */
  readonly outcomes: number;
  /** Chance of each outcome at an ability. */
  chances(theta: number, free: FreeItem): number[];
  /** First derivatives of the logarithm of each chance by the free parameters: [outcome][parameter]. */
  slopes(theta: number, free: FreeItem): number[][];
  /** Second derivatives: [outcome][parameter][parameter]. */
  bends(theta: number, free: FreeItem): number[][][];
  /** Between what a parameter is looked for; an estimate that reaches a bound has not converged to anything a test can use. */
  readonly bounds: readonly { readonly low: number; readonly high: number }[];
}

/** Bounds of log a, of a difficulty, and of logit c. */
export const SLOPE_BOUNDS = { low: Math.log(0.05), high: Math.log(20) } as const;
export const PLACE_BOUNDS = { low: -25, high: 25 } as const;
export const GUESSING_BOUNDS = { low: -7, high: 1 } as const;
