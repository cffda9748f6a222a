import { information } from "./information";
import type { ItemParameters } from "./item";

/** Information of a set of items at an ability: the sum of theirs (Lord 1980, equation 5-6); 1 / sqrt of it is the standard error there. */
export function testInformation(theta: number, items: readonly ItemParameters[]): number {
  return items.reduce((sum, item) => sum + information(theta, item), 0);
}
