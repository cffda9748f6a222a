import type { ItemFlag } from "@/core/measurement/itemAnalysis";

/** What is odd about an item, as teachers read it. */
export const FLAG_WORDS: Readonly<Record<ItemFlag, string>> = {
  "too-hard": "fewer than a quarter had it right",
  "too-easy": "nearly everybody had it right",
  "weak-discrimination": "those who did well otherwise were hardly more often right here",
  "key-suspect": "look at the key: those who did well chose another answer more often",
  "draws-the-strong": "a wrong answer draws those who did well",
  "too-fast": "more than a tenth answered faster than it can be read",
};
