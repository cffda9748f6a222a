/**
 * Logistic function 1 / (1 + e^-x), stable for any finite x; result in [0, 1].
 * @example logistic(0) // 0.5
 */
export function logistic(x: number): number {
  if (x >= 0) return 1 / (1 + Math.exp(-x));
  const power = Math.exp(x);
  return power / (1 + power);
}
