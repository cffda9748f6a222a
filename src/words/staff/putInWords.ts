import type { PutInMove } from "@/core/work/putIn";

/** What to do about what came of the work put in. */
export const MOVE_WORDS: Readonly<Record<PutInMove, string>> = {
  teach: "teach",
  talk: "talk",
  stretch: "stretch",
  "goes-well": "goes well",
  "not-begun": "not begun",
};

/** The same as a heading with its reason. */
export const MOVE_TITLES: Readonly<Record<PutInMove, string>> = {
  teach: "Much put in, little to show: teach",
  talk: "Little put in, and it shows: talk",
  stretch: "Little put in, and needs no more: stretch",
  "goes-well": "Much put in, and it shows",
  "not-begun": "Nothing begun",
};
