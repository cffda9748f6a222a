import type { ItemParameters } from "./item";
import { probability } from "./probability";

/**
 * Expected number right on a set of items at an ability in logits (the test characteristic curve; Lord 1980, chapter 4), 0 to n.
 * @example expectedScore(0, [{ a: 1, b: 0, c: 0 }]) // 0.5
 */
export function expectedScore(theta: number, items: readonly ItemParameters[]): number {
  return items.reduce((sum, item) => sum + probability(theta, item), 0);
}
