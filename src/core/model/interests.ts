/** What students may choose from to colour the contexts of their items. */
export const INTERESTS = [
  "animals",
  "art",
  "ball-games",
  "boats-and-water",
  "building-things",
  "cooking",
  "farms-and-gardens",
  "football",
  "machines",
  "music",
  "outdoors",
  "running-and-races",
  "space",
  "stories",
] as const;
export type Interest = (typeof INTERESTS)[number];
export const MOST_INTERESTS = 4;
