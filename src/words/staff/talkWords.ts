import type { TalkReason } from "@/core/model/talk";

/** Why something went wrong, as teachers read it. */
export const TALK_WORDS: Readonly<Record<TalkReason, string>> = {
  reading: "reading load",
  skill: "the skill itself",
  haste: "haste",
  frustration: "frustration",
  other: "something else",
};
