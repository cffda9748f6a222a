import { INTERESTS, type Interest } from "@/core/model/interests";

const WORDS: Readonly<Record<Interest, string>> = {
  animals: "animals",
  art: "art",
  "ball-games": "ball games",
  "boats-and-water": "boats and water",
  "building-things": "building things",
  cooking: "cooking",
  "farms-and-gardens": "farms and gardens",
  football: "football",
  machines: "machines",
  music: "music",
  outdoors: "outdoors",
  "running-and-races": "running and races",
  space: "space",
  stories: "stories",
};

/** An interest as students call it; what an earlier list had is shown as it was kept. */
export function interestWords(interest: string): string {
  const known = INTERESTS.find((one) => one === interest);
  return known ? WORDS[known] : interest;
}
