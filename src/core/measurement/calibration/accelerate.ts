/**
 * One cycle of squared extrapolation of a fixed-point iteration (SQUAREM, scheme S3; Varadhan & Roland 2008): two plain steps
 * give the direction, a long step follows it, one plain step settles it. `step` maps parameters to parameters.
 */
export function accelerate(
  start: readonly number[],
  step: (parameters: readonly number[]) => number[],
): { readonly plain: number[]; readonly leapt: number[]; readonly change: number } {
  const once = step(start);
  const plain = step(once);
  const first = once.map((value, place) => value - (start[place] ?? 0));
  const bend = plain.map((value, place) => value - (once[place] ?? 0) - (first[place] ?? 0));
  const change = Math.max(...plain.map((value, place) => Math.abs(value - (once[place] ?? 0))));
  const size = (row: readonly number[]) => Math.sqrt(row.reduce((sum, value) => sum + value * value, 0));
  const bendSize = size(bend);
  if (bendSize === 0) return { plain, leapt: plain, change };
  const length = -Math.max(1, size(first) / bendSize);
  const leapt = start.map(
    (value, place) => value - 2 * length * (first[place] ?? 0) + length ** 2 * (bend[place] ?? 0),
  );
  return { plain, leapt: step(leapt), change };
}
