/** Halvings: 80 shrink any bracket of logits below the spacing of floating-point numbers. */
const HALVINGS = 80;

/**
 * The place between `low` and `high` at which a function that is positive at `low` and not at `high` turns.
 * @example bisect((x) => 2 - x * x, 0, 2).toFixed(4) // "1.4142"
 */
export function bisect(positiveAtLow: (x: number) => number, low: number, high: number): number {
  for (let halving = 0; halving < HALVINGS; halving++) {
    const middle = (low + high) / 2;
    if (positiveAtLow(middle) > 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
