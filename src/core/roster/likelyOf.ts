import { bareName } from "./bareName";

/** Letters by which words count as the same: "fractions" and "fraction", "proportional" and "proportions". */
const STEM = 5;
const LEAST_WORD = 4;

const stems = (text: string) =>
  new Set(
    bareName(text)
      .split(" ")
      .filter((word) => word.length >= LEAST_WORD)
      .map((word) => word.slice(0, STEM)),
  );

/**
 * Which of some named things a heading likely means: the only one that shares most words with it.
 * @example likelyOf("Fraction test", [{ id: "f", name: "Fractions" }, { id: "r", name: "Ratio" }]) // "f"
 */
export function likelyOf(
  heading: string,
  things: readonly { readonly id: string; readonly name: string }[],
): string | null {
  const wanted = stems(heading);
  const shared = things
    .map(({ id, name }) => ({ id, words: [...stems(name)].filter((stem) => wanted.has(stem)).length }))
    .filter(({ words }) => words > 0)
    .sort((x, y) => y.words - x.words);
  const [best, second] = shared;
  return best && best.words !== second?.words ? best.id : null;
}
