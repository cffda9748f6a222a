/**
 * Weights given by their logarithms as shares of their sum, however small they are (the largest is taken out first).
 * @example sharesOfLogs([-1000, -1000]) // [0.5, 0.5]
 */
export function sharesOfLogs(logs: readonly number[]): number[] {
  const largest = Math.max(...logs);
  const masses = logs.map((log) => Math.exp(log - largest));
  const total = masses.reduce((sum, mass) => sum + mass, 0);
  return masses.map((mass) => mass / total);
}
