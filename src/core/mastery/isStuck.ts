/** Items after which a run of misses says something. */
const LEAST_ITEMS = 5;
/** Share of right first tries under which a student is stuck. */
const LEAST_SHARE = 0.4;

/** True when someone at work gets little right: 5 or more items done, under 40 % of them right at the first try. */
export function isStuck(itemsDone: number, itemsRight: number): boolean {
  return itemsDone >= LEAST_ITEMS && itemsRight / itemsDone < LEAST_SHARE;
}
