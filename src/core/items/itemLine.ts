import { drawItem } from "./drawItem";
import type { ItemVersion } from "./itemBody";

/**
 * An item as a line of a list shows it: what one draw of it asks, as a student reads it; as it was typed where nothing can be drawn yet.
 * `letters`: the most that are shown, the sign of what is left out included.
 * @example itemLine({ id: "v", itemId: "i", body: { parameters: {}, stem: "How  many?", contexts: { plain: {} }, difficultyOffset: "0", hint: "", solution: "", parts: [] } }, 40) // "How many?"
 */
export function itemLine(version: ItemVersion, letters: number): string {
  const line = wordsOf(version).replace(/\s+/g, " ").trim();
  return line.length > letters ? `${line.slice(0, letters - 1)}…` : line;
}

function wordsOf(version: ItemVersion): string {
  try {
    const item = drawItem(version, 0);
    return [item.stem, ...item.parts.flatMap(({ prompt }) => prompt ?? [])].join(" ");
  } catch {
    return version.body.stem;
  }
}
