import type { Rational } from "../numeric/rational";
import { missedSkills, type SkillResult } from "./missedSkills";
import { reachesCut } from "./reachesCut";

/**
 * The skills to follow up with a student after a test: the missed ones; for those who reached the cut only if wished.
 * @example followUpSkills({ score: rational(1, 2), results: [{ skillId: "a", chance: 0.3, right: 1, given: 4 }] }, { cutPercent: 80, alsoAtCut: false }).map(({ skillId }) => skillId) // ["a"]
 */
export function followUpSkills(
  student: { readonly score: Rational; readonly results: readonly SkillResult[] },
  wish: { readonly cutPercent: number; readonly alsoAtCut: boolean },
): SkillResult[] {
  return reachesCut(student.score, wish.cutPercent) && !wish.alsoAtCut ? [] : missedSkills(student.results);
}
