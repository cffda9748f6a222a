import type { DrawnOrder, OrderResponse } from "./body";

/** The members from first to last. */
export const responseWords = ({ members }: DrawnOrder, { order }: OrderResponse): string =>
  order.map((wanted) => members.find(({ id }) => id === wanted)?.text ?? "").join("; ");
