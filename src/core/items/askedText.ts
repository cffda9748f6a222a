import type { DrawnItem } from "./drawItem";
import { roomOf } from "./rooms";

/** The texts that an item's parts stand in, what there is to choose from in square brackets; empty where there are none. */
export const runningTexts = (item: DrawnItem): string[] =>
  item.parts.flatMap(({ kind, drawn }) => roomOf(kind).runningText?.(drawn) ?? []);

/** What an item asks, in words alone: its stem, and the texts that its parts stand in. */
export const askedText = (item: DrawnItem): string => [item.stem, ...runningTexts(item)].join(" ");
