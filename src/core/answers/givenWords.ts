import type { Item } from "./instantiateItem";

/** What a student gave, as it stood on the screen: an option by its text, anything else as it was written. */
export function givenWords(item: Item, raw: string): string {
  return item.kind === "choice" ? (item.options.find(({ id }) => id === raw)?.text ?? raw) : raw;
}
