import type { Rational } from "../numeric/rational";
import { missedSkills, type SkillResult } from "./missedSkills";
import { reachesCut } from "./reachesCut";

/** The skills to follow up with a student after a test: the missed ones; for those who reached the cut only if wished. */
export function followUpSkills(
  student: { readonly score: Rational; readonly results: readonly SkillResult[] },
  wish: { readonly cutPercent: number; readonly alsoAtCut: boolean },
): SkillResult[] {
  return reachesCut(student.score, wish.cutPercent) && !wish.alsoAtCut ? [] : missedSkills(student.results);
}
