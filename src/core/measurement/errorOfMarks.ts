import { demandThat } from "../model/fail";
import { mean } from "../numeric/mean";

/**
 * Standard error of measurement of marks that are shares of `items` items (0 to 1), as the items alone bring it: the mean over the students of x(1 − x)/(n − 1), its
 * root (binomial error model, Lord 1955). In the unit of the marks; nought without marks.
 * @throws CoreError "bad-argument", where this does not hold: Two items at least have an error.
 * @example errorOfMarks([0.5], 11).toFixed(3) // "0.158"
 */
export function errorOfMarks(marks: readonly number[], items: number): number {
  demandThat(Number.isInteger(items) && items >= 2, "Two items at least have an error.", { items });
  return marks.length === 0 ? 0 : Math.sqrt(mean(marks.map((mark) => (mark * (1 - mark)) / (items - 1))));
}
