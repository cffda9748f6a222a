import type { DrawnItem } from "./drawItem";
import { roomOf } from "./rooms";

/** Texts that there are to choose from in all parts of an item, in the order of showing. */
export const optionTexts = (item: DrawnItem): string[] =>
  item.parts.flatMap(({ kind, drawn }) => [...roomOf(kind).optionTexts(drawn)]);
