/** Equally spaced nodes, and how many prior standard deviations they reach to each side. */
export const USUAL_NODES = 61;
const REACH = 6;
/** Nodes stand near enough when their distance is no more than this share of the posterior's spread, and this over the sharpest item. */
const OF_SPREAD = 0.7;
const OVER_SHARPEST = 1.6;
/** Where the posterior is so many times smaller than at its height (e to this), there is nothing to add up. */
const NEGLIGIBLE = 40;
const MOST_NODES = 4001;

/**
 * Mean and standard deviation of a posterior under a standard normal prior, from the logarithm of its likelihood at z: over 61 equally
 * spaced nodes on ± 6 (Bock & Mislevy 1982), set closer over the part that counts until both are exact to 1e-4. `sharpest`: the largest slope of an
 * item per unit of z. With `nodes` just so many are taken, for comparing grids.
 * @example posteriorMoments(() => 0, { sharpest: 1 }).spread.toFixed(3) // "1.000"
 */
export function posteriorMoments(
  logLikelihood: (z: number) => number,
  { sharpest = 0, nodes }: { readonly sharpest?: number; readonly nodes?: number },
): { readonly centre: number; readonly spread: number } {
  const height = (z: number) => logLikelihood(z) - (z * z) / 2;
  const count = nodes ?? USUAL_NODES;
  let grid: Grid = { from: -REACH, step: (2 * REACH) / (count - 1), nodes: count };
  let found = momentsOn(height, grid);
  while (nodes === undefined) {
    const wanted = Math.min(OF_SPREAD * Math.max(found.spread, grid.step / 4), OVER_SHARPEST / Math.max(1, sharpest));
    if (grid.step <= wanted || grid.nodes >= MOST_NODES) break;
    const from = Math.max(-REACH, found.low - grid.step);
    const more = Math.ceil((Math.min(REACH, found.high + grid.step) - from) / wanted) + 1;
    grid = { from, step: wanted, nodes: Math.min(MOST_NODES, more) };
    found = momentsOn(height, grid);
  }
  return found;
}

interface Grid {
  readonly from: number;
  readonly step: number;
  readonly nodes: number;
}

/** Mean and spread of a density given by its logarithm at equally spaced nodes, and the first and the last that count. */
function momentsOn(height: (z: number) => number, { from, step, nodes }: Grid) {
  const heights = new Float64Array(nodes);
  let largest = Number.NEGATIVE_INFINITY;
  for (let node = 0; node < nodes; node++) {
    const value = height(from + node * step);
    heights[node] = value;
    if (value > largest) largest = value;
  }
  let [mass, first, second] = [0, 0, 0];
  let [low, high] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (let node = 0; node < nodes; node++) {
    const z = from + node * step;
    // Taken against the largest, or sixty answers underflow to nothing.
    const below = (heights[node] ?? 0) - largest;
    if (below > -NEGLIGIBLE) {
      low = Math.min(low, z);
      high = z;
    }
    const weight = Math.exp(below);
    mass += weight;
    first += weight * z;
    second += weight * z * z;
  }
  const centre = first / mass;
  return { centre, spread: Math.sqrt(Math.max(0, second / mass - centre * centre)), low, high };
}
