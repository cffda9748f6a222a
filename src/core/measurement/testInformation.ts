import { information } from "./information";
import type { ItemParameters } from "./item";

/**
 * Information of a set of items at an ability: the sum of theirs (Lord 1980, equation 5-6); 1 / sqrt of it is the standard error there.
 * @example testInformation(0, [{ a: 1, b: 0, c: 0 }, { a: 2, b: 0, c: 0 }]) // 1.25
 */
export function testInformation(theta: number, items: readonly ItemParameters[]): number {
  return items.reduce((sum, item) => sum + information(theta, item), 0);
}
