import type { Gauge } from "../mastery/gaugeOf";
import { LEVEL_CUTS } from "../model/levels";
import { MISSING_UNDER } from "../plan/nextFromPlan";

/** How a skill stands that a student may choose by themselves. */
export type ChoiceStanding =
  /** Begun, and not mastered yet; "nearly" is Secure already. */
  | "going"
  | "nearly"
  /** Mastered once; not as sure today. */
  | "freshen"
  /** Never met, and nothing that it builds on is missing, or it is taught already. */
  | "ready"
  | "mastered";

/**
 * How a skill stands for a student who chooses what to do; null while something that it builds on is missing, unless it was begun, or taught in class.
 * @param under chances of mastery, 0 to 1, of what it builds on directly
 * @example choiceStanding({ mark: "never", scoredAnswers: 0, chance: 0.5 }, { under: [0.9], taught: false }) // "ready"
 */
export function choiceStanding(
  { mark, scoredAnswers, chance }: Pick<Gauge, "mark" | "scoredAnswers" | "chance">,
  { under, taught }: { readonly under: readonly number[]; readonly taught: boolean },
): ChoiceStanding | null {
  if (mark === "now") return "mastered";
  if (mark !== "never") return "freshen";
  if (scoredAnswers > 0) return chance >= LEVEL_CUTS.secure ? "nearly" : "going";
  return taught || under.every((chance) => chance >= MISSING_UNDER) ? "ready" : null;
}

export interface SkillToChoose {
  readonly id: string;
  readonly grade: number;
  readonly chance: number;
  readonly standing: ChoiceStanding;
}

/**
 * What is worth choosing, the first first: what was begun, the surest first; then what has faded, the least sure first; then what is new, nearest to the
 * student's grade and never above it. What is mastered, or likely known already, is left to be looked for.
 * @param grade null where nobody knows it
 * @example worthChoosing([{ id: "a", grade: 6, chance: 0.4, standing: "going" }], 6, 5).map(({ id }) => id) // ["a"]
 */
export function worthChoosing<Skill extends SkillToChoose>(
  skills: readonly Skill[],
  grade: number | null,
  most: number,
): Skill[] {
  const of = (...standings: ChoiceStanding[]) => skills.filter(({ standing }) => standings.includes(standing));
  const fresh = of("ready").filter(
    (skill) => skill.chance < LEVEL_CUTS.secure && (grade === null || skill.grade <= grade),
  );
  return [
    ...of("going", "nearly").sort((x, y) => y.chance - x.chance),
    ...of("freshen").sort((x, y) => x.chance - y.chance),
    ...fresh.sort((x, y) => y.grade - x.grade || y.chance - x.chance),
  ].slice(0, most);
}
