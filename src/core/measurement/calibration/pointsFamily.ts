import { pointChances } from "../partialCredit";
import { type CurveFamily, type FreeItem, PLACE_BOUNDS, SLOPE_BOUNDS } from "./curveFamily";

/** Items of several points under the generalized partial credit model (Muraki 1992): log a, then the step difficulties. */
export function pointsFamily(highest: number): CurveFamily {
  const outcomes = highest + 1;
  const each = <T>(of: (points: number) => T): T[] => Array.from({ length: outcomes }, (_, points) => of(points));
  return {
    outcomes,
    bounds: [SLOPE_BOUNDS, ...Array.from({ length: highest }, () => PLACE_BOUNDS)],
    chances(theta, free) {
      // Points that nobody earns at this ability would have a logarithm without end.
      return chancesAt(theta, free).map((chance) => Math.max(1e-300, chance));
    },
    slopes(theta, free) {
      const { a, heights, meanHeight, atLeast } = momentsAt(theta, free);
      return each((points) => [
        (heights[points] ?? 0) - meanHeight,
        ...atLeast.map((chance, step) => -a * ((points > step ? 1 : 0) - chance)),
      ]);
    },
    bends(theta, free) {
      const { a, chances, heights, meanHeight, atLeast } = momentsAt(theta, free);
      const variance = chances.reduce(
        (sum, chance, points) => sum + chance * ((heights[points] ?? 0) - meanHeight) ** 2,
        0,
      );
      // Covariance of reaching a step with the height, by which a slope moves the chance of reaching it.
      const withHeight = atLeast.map(
        (reached, step) =>
          chances.reduce((sum, chance, points) => sum + (points > step ? chance * (heights[points] ?? 0) : 0), 0) -
          reached * meanHeight,
      );
      return each((points) => {
        const bySlope = atLeast.map(
          (chance, step) => -a * ((points > step ? 1 : 0) - chance) + a * (withHeight[step] ?? 0),
        );
        return [
          [(heights[points] ?? 0) - meanHeight - variance, ...bySlope],
          ...atLeast.map((one, step) => [
            bySlope[step] ?? 0,
            ...atLeast.map((other) => -a * a * (Math.min(one, other) - one * other)),
          ]),
        ];
      });
    },
  };
}

function chancesAt(theta: number, [logA = 0, ...steps]: FreeItem): number[] {
  return pointChances(theta, { a: Math.exp(logA), steps });
}

/** Σ a (θ − step) up to each number of points, their mean, and the chance of reaching each step. */
function momentsAt(theta: number, free: FreeItem) {
  const [logA = 0, ...steps] = free;
  const a = Math.exp(logA);
  const chances = chancesAt(theta, free);
  const heights = [0];
  for (const step of steps) heights.push((heights.at(-1) ?? 0) + a * (theta - step));
  const meanHeight = chances.reduce((sum, chance, points) => sum + chance * (heights[points] ?? 0), 0);
  const atLeast = steps.map((_, step) => chances.slice(step + 1).reduce((sum, chance) => sum + chance, 0));
  return { a, chances, heights, meanHeight, atLeast };
}
