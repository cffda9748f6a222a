/**
 * A new array with the same members in a random order (Fisher and Yates 1938; Durstenfeld 1964).
 * @example shuffled([1, 2, 3], () => 0.999) // [1, 2, 3]
 */
export function shuffled<T>(members: readonly T[], random: () => number): T[] {
  const result = [...members];
  for (let last = result.length - 1; last > 0; last--) {
    const pick = Math.floor(random() * (last + 1));
    [result[last], result[pick]] = [result[pick] as T, result[last] as T];
  }
  return result;
}
