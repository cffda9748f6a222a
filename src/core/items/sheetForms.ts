import { type DrawnItem, drawItem } from "./drawItem";
import type { ItemVersion } from "./itemBody";

/** Draws tried for one that no other form has; an item that has no other is printed again. */
const MOST_TRIES = 40;

/** A form of a sheet of items: its letter and one draw of each. */
export interface SheetForm {
  readonly letter: string;
  readonly items: readonly DrawnItem[];
}

/**
 * The forms of a sheet: each item in the given order, in every form another draw as far as there is one. The same seed gives the same
 * forms. Throws "bad-item" when an item can't be drawn.
 */
export function sheetForms(versions: readonly ItemVersion[], forms: number, seed: number): SheetForm[] {
  const met = versions.map(() => new Set<string>());
  return Array.from({ length: forms }, (_, form) => ({
    letter: String.fromCharCode(65 + form),
    items: versions.map((version, place) => freshDraw(version, seed + form * MOST_TRIES, met[place] ?? new Set())),
  }));
}

function freshDraw(version: ItemVersion, from: number, met: Set<string>): DrawnItem {
  for (let seed = from; seed < from + MOST_TRIES; seed++) {
    const item = drawItem(version, seed);
    const words = wordsOf(item);
    if (met.has(words)) continue;
    met.add(words);
    return item;
  }
  return drawItem(version, from);
}

const wordsOf = ({ stem, parts }: DrawnItem): string =>
  [stem, ...parts.flatMap(({ prompt, keyText }) => [prompt, keyText])].join("\n");
