import { array, boolean, object, string } from "yup";
import type { NamedText } from "../namedTexts";
import { isUnique } from "../namedTexts";

/** Members to be put in order. */
export interface OrderBody {
  /** In the right order; or with a value each, by which they are ordered. */
  readonly members: readonly (NamedText & { readonly value?: string })[];
  /** By value from the largest down. */
  readonly descending?: boolean;
  /** Orders, by the members' ids, that reveal a misconception. */
  readonly misconceptions: readonly { readonly id: string; readonly order: readonly string[] }[];
}

export interface DrawnOrder {
  /** In the order of showing. */
  readonly members: readonly NamedText[];
  readonly wanted: readonly string[];
  readonly keyText: string;
  readonly misconceptionOrders: OrderBody["misconceptions"];
}

export interface ShownOrder {
  readonly members: readonly { readonly letter: string; readonly text: string }[];
}

/** Stable ids from first to last. */
export interface OrderResponse {
  readonly order: readonly string[];
}

export const orderSchema = object({
  members: array(object({ id: string().required(), text: string().required(), value: string().optional() }).noUnknown())
    .min(2)
    .test("different-ids", "ids-not-unique", (members) => isUnique((members ?? []).map(({ id }) => id)))
    .required(),
  descending: boolean().optional(),
  misconceptions: array(
    object({ id: string().required(), order: array(string().required()).min(2).required() }).noUnknown(),
  ).required(),
});
