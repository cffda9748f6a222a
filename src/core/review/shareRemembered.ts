import { type NoEstimate, noEstimate } from "../model/noEstimate";
import { mean } from "../numeric/mean";
import { reviewMemory } from "./reviewMemory";
import type { ReviewSkill } from "./reviewSkill";

/**
 * Expected share of the skills in review that would be recalled on a day: the mean chance of recall, with their number.
 * @example shareRemembered([], 100).noEstimate // "nothing-in-review"
 */
export function shareRemembered(
  skills: readonly ReviewSkill[],
  day: number,
): { readonly share: number; readonly n: number } | NoEstimate<"nothing-in-review"> {
  if (skills.length === 0) return noEstimate("nothing-in-review");
  const recalls = skills.map(({ memory, lastDay }) => reviewMemory.recall(memory.stabilityDays, day - lastDay));
  return { share: mean(recalls), n: skills.length };
}
