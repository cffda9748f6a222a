import type { ChoiceStanding } from "@/core/work/openToChoose";

/** How a skill stands, as its student reads it. */
export const STANDING_WORDS: Readonly<Record<ChoiceStanding, string>> = {
  going: "begun, and on its way",
  nearly: "nearly there",
  freshen: "mastered once; a few items would freshen it up",
  ready: "new, and you are ready for it",
  mastered: "mastered",
};
