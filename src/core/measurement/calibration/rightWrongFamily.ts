import { logistic } from "../../numeric/logistic";
import type { ItemParameters } from "../item";
import { type CurveFamily, type FreeItem, GUESSING_BOUNDS, PLACE_BOUNDS, SLOPE_BOUNDS } from "./curveFamily";

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

/** Items that come right or wrong: two parameters, or with guessing three (Birnbaum 1968). */
export function rightWrongFamily(guessing: boolean): CurveFamily {
  return {
    outcomes: 2,
    bounds: guessing ? [SLOPE_BOUNDS, PLACE_BOUNDS, GUESSING_BOUNDS] : [SLOPE_BOUNDS, PLACE_BOUNDS],
    chances(theta, free) {
      const { right } = curveAt(theta, free);
      return [1 - right, right];
    },
    slopes(theta, free) {
      const { right, first } = curveAt(theta, free);
      return [first.map((slope) => -slope / (1 - right)), first.map((slope) => slope / right)];
    },
    bends(theta, free) {
      const { right, first } = curveAt(theta, free);
      const second = secondDerivatives(theta, free);
      const of = (chance: number, sign: 1 | -1) =>
        second.map((line, row) =>
          line.map(
            (bend, column) => (sign * bend) / chance - ((first[row] ?? 0) * (first[column] ?? 0)) / (chance * chance),
          ),
        );
      return [of(1 - right, -1), of(right, 1)];
    },
  };
}

/** Chance of a right answer and its derivatives by the free parameters. */
function curveAt(theta: number, free: FreeItem): { right: number; first: number[] } {
  const { a, b, c } = fromFree(free);
  const x = a * (theta - b);
  const [upper, lower] = [logistic(x), logistic(-x)];
  const bend = (1 - c) * upper * lower;
  const first = [bend * x, -bend * a];
  if (free.length === 3) first.push(c * (1 - c) * lower);
  // A chance of exactly 0 or 1 would divide by zero where nobody stands anyway.
  return { right: Math.min(1 - 1e-12, Math.max(1e-12, c + (1 - c) * upper)), first };
}

function secondDerivatives(theta: number, free: FreeItem): number[][] {
  const { a, b, c } = fromFree(free);
  const x = a * (theta - b);
  const [upper, lower] = [logistic(x), logistic(-x)];
  const first = (1 - c) * upper * lower;
  const second = first * (lower - upper);
  // x by log a and b: x and -a; twice: x, -a, 0.
  const rowA = [second * x * x + first * x, -second * x * a - first * a];
  const rowB = [-second * x * a - first * a, second * a * a];
  if (free.length < 3) return [rowA, rowB];
  const spread = c * (1 - c);
  const mixed = -upper * lower * spread;
  return [
    [...rowA, mixed * x],
    [...rowB, -mixed * a],
    [mixed * x, -mixed * a, spread * (1 - 2 * c) * lower],
  ];
}
