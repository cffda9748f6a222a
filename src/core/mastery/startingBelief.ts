import { beliefFromAbility } from "./beliefFromAbility";
import { priorBelief } from "./priorBelief";
import type { SkillBelief } from "./skillBelief";

/** An ability, in logits, with its standard error. */
export interface Placement {
  readonly theta: number;
  readonly se: number;
}

/** Where diagnostics, or scores from elsewhere, placed a student, by strand. */
export type Placements = ReadonlyMap<string, Placement>;

/**
 * What is believed of a student in a skill before any answer in it: from where they were placed in its strand, else from their grade.
 * @example startingBelief({ grade: 6, placements: new Map([["s", { theta: 1, se: 0.3 }]]) }, { strandId: "s", difficulty: 0 }).mean // 0.25
 */
export function startingBelief(
  { grade, placements }: { readonly grade: number | null; readonly placements: Placements },
  { strandId, difficulty }: { readonly strandId: string; readonly difficulty: number },
): SkillBelief {
  const placed = placements.get(strandId);
  return placed ? beliefFromAbility(placed, difficulty) : priorBelief(grade, difficulty);
}
