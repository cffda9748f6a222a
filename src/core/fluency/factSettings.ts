import type { FactSettings } from "../model/factSettings";
import { factFamilies } from "./factFamilies";
import type { FactFamily } from "./placeFacts";

export const USUAL_FACT_SETTINGS: FactSettings = {
  operations: ["multiply"],
  order: null,
  highest: 10,
  minutesADay: 5,
  thinkingSeconds: 3,
  goal: 25,
};

const SECONDS_PER_MINUTE = 60;
/** Typing and a look at what was right, beside thinking. */
const SECONDS_BESIDE = 1;

/**
 * Facts that can be got right in the minutes of a day when each takes the whole thinking time.
 * @example mostAGoal({ minutesADay: 5, thinkingSeconds: 3 }) // 75
 */
export const mostAGoal = ({
  minutesADay,
  thinkingSeconds,
}: Pick<FactSettings, "minutesADay" | "thinkingSeconds">): number =>
  Math.floor((minutesADay * SECONDS_PER_MINUTE) / (thinkingSeconds + SECONDS_BESIDE));

/**
 * The families of some settings by operation, in the order in which they are learned: the chosen ones only, where some were.
 * @example familiesOf({ operations: ["multiply"], order: ["multiply-7", "multiply-2"], highest: 10 }).flat().map(({ id }) => id) // ["multiply-7", "multiply-2"]
 */
export function familiesOf({
  operations,
  order,
  highest,
}: Pick<FactSettings, "operations" | "order" | "highest">): FactFamily[][] {
  return operations.map((operation) => {
    const families = factFamilies(operation, highest);
    if (order === null) return families;
    return order.flatMap((wanted) => families.filter(({ id }) => id === wanted));
  });
}
