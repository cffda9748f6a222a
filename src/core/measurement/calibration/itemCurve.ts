import { logistic } from "../../numeric/logistic";
import type { ItemParameters } from "../item";

/** Parameters in the free scale in which they are estimated: log a, b, and for three parameters logit c. */
export type FreeItem = readonly number[];

/**
 * @example toFree({ a: 1, b: 0.5, c: 0 }, false) // [0, 0.5]
 */
export function toFree({ a, b, c }: ItemParameters, guessing: boolean): number[] {
  return guessing ? [Math.log(a), b, Math.log(c / (1 - c))] : [Math.log(a), b];
}

/**
 * @example fromFree(toFree({ a: 1.5, b: 0.5, c: 0.2 }, true)).b.toFixed(2) // "0.50"
 */
export function fromFree(free: FreeItem): ItemParameters {
  const [logA = 0, b = 0, logitC] = free;
  return { a: Math.exp(logA), b, c: logitC === undefined ? 0 : logistic(logitC) };
}

/** Second derivatives of the chance of a right answer by the free parameters, row by row. */
export function itemBends(theta: number, free: FreeItem): number[][] {
  const { a, b, c } = fromFree(free);
  const x = a * (theta - b);
  const [upper, lower] = [logistic(x), logistic(-x)];
  const first = (1 - c) * upper * lower;
  const second = first * (lower - upper);
  // x by log a and b: x and -a; twice: x, -a, 0.
  const bends = [
    [second * x * x + first * x, -second * x * a - first * a],
    [-second * x * a - first * a, second * a * a],
  ];
  if (free.length < 3) return bends;
  const spread = c * (1 - c);
  const mixed = -upper * lower * spread;
  const [rowA = [], rowB = []] = bends;
  return [
    [...rowA, mixed * x],
    [...rowB, -mixed * a],
    [mixed * x, -mixed * a, spread * (1 - 2 * c) * lower],
  ];
}

/** Chance of a right answer at an ability and its derivatives by the free parameters. */
export function itemCurve(theta: number, free: FreeItem): { right: number; slopes: number[] } {
  const { a, b, c } = fromFree(free);
  const x = a * (theta - b);
  const [upper, lower] = [logistic(x), logistic(-x)];
  const bend = (1 - c) * upper * lower;
  const slopes = [bend * x, -bend * a];
  if (free.length === 3) slopes.push(c * (1 - c) * lower);
  // A chance of exactly 0 or 1 would divide by zero where nobody stands anyway.
  return { right: Math.min(1 - 1e-12, Math.max(1e-12, c + (1 - c) * upper)), slopes };
}
