import type { ItemKind } from "./itemKind";

/** What a kind of answer adds to an item's difficulty, in logits: recognising is easier than producing, explaining in lines hardest. */
const BY_KIND: Readonly<Record<ItemKind, number>> = {
  number: 0,
  "single-choice": -0.2,
  "multiple-choice": 0.1,
  "short-text": 0.05,
  "inline-choice": -0.2,
  order: 0.1,
  matching: 0,
  "select-words": 0,
  "number-line": 0,
  grid: 0.1,
  shading: -0.1,
  expression: 0.15,
  steps: 0.3,
  written: 0.3,
};
const A_MOVE = 0.25;
/** Between the lightest and the heaviest numbers of a model. */
const BY_LOAD = 0.4;

/**
 * How far an item lies from its skill, in logits, as an expression: by its first kind, 0.25 for each move of thought after the first, and up to 0.2
 * either way by how heavy its numbers are (`load`, an expression from 0 to 1). Until answers say more, this is the item's difficulty.
 * @example offsetByRule("number", 2, "(a - 3) / 6") // "0.25 + ((a - 3) / 6 - 0.5) * 0.4"
 */
export function offsetByRule(kind: ItemKind, moves: number, load?: string): string {
  const fixed = Number((BY_KIND[kind] + (moves - 1) * A_MOVE).toFixed(2));
  return load === undefined ? String(fixed) : `${fixed} + (${load} - 0.5) * ${BY_LOAD}`;
}
