/**
 * Chances of each number right, 0 to n, on items with these chances of a right answer, by the recursion of Lord & Wingersky (1984).
 * @example scoreDistribution([0.5, 0.5]) // [0.25, 0.5, 0.25]
 */
export function scoreDistribution(chances: readonly number[]): number[] {
  let shares = [1];
  for (const chance of chances) {
    const after = new Array<number>(shares.length + 1).fill(0);
    shares.forEach((share, right) => {
      after[right] = (after[right] ?? 0) + share * (1 - chance);
      after[right + 1] = (after[right + 1] ?? 0) + share * chance;
    });
    shares = after;
  }
  return shares;
}
