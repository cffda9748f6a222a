/**
 * Logarithm of the sum of masses given by their logarithms.
 * @example logSum([0, 0]).toFixed(3) // "0.693"
 */
export function logSum(logs: readonly number[]): number {
  const largest = Math.max(...logs);
  return largest + Math.log(logs.reduce((sum, log) => sum + Math.exp(log - largest), 0));
}
