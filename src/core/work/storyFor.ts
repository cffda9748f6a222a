import { INTERESTS, type Interest } from "../model/interests";

/** Interests behind stories that go by names of their own. */
const NAMED: Readonly<Record<string, Interest>> = {
  rowing: "boats-and-water",
  baking: "cooking",
  garden: "farms-and-gardens",
  craft: "art",
};

/**
 * The interest that a story follows; null for one that follows none.
 * @example interestOf("rowing") // "boats-and-water"
 */
export const interestOf = (story: string): Interest | null =>
  NAMED[story] ?? INTERESTS.find((interest) => interest === story) ?? null;

/**
 * The story in which an item is told: another than the last one where there are others, one that follows the student's interests where there is such;
 * chance decides among those. Undefined without stories.
 * @example storyFor(["art", "music"], "art", [], () => 0) // "music"
 */
export function storyFor(
  stories: readonly string[],
  last: string | undefined,
  interests: readonly string[],
  random: () => number,
): string | undefined {
  const others = stories.filter((story) => story !== last);
  const fresh = others.length > 0 ? others : stories;
  const liked = fresh.filter((story) => interests.includes(interestOf(story) ?? ""));
  const among = liked.length > 0 ? liked : fresh;
  return among[Math.floor(random() * among.length)];
}
