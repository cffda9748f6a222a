import { checkOrder } from "../../answers/checkOrder";
import { unreadable, type Verdict } from "../verdict";
import type { DrawnOrder, OrderResponse } from "./body";

/** One step for each member beyond the first in the longest row that stands in the right order. */
export function check({ wanted, misconceptionOrders }: DrawnOrder, { order }: OrderResponse): Verdict {
  if (order.length === 0) return unreadable("empty");
  if ([...order].sort().join("\n") !== [...wanted].sort().join("\n")) return unreadable("no-such-option");
  const { share } = checkOrder(order, wanted);
  const shown = misconceptionOrders.find((known) => known.order.join("\n") === order.join("\n"));
  return {
    readable: true,
    earned: Number(share.mul(wanted.length - 1).n),
    possible: wanted.length - 1,
    misconceptionIds: shown ? [shown.id] : [],
  };
}
