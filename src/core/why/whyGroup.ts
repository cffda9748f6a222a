import { demandThat } from "../model/fail";
import type { WhyFacts } from "../model/whyFacts";

/** A member of a group: today's chance of mastery of its skill, readiness for it, and the mistakes shown in it. */
export interface GroupedStudent {
  readonly chance: number;
  readonly ready: number;
  readonly misconceptionIds: readonly string[];
}

/** A mistake that fewer share is nobody's common one. */
const LEAST_SHARED = 2;

/**
 * What a suggested group stands on.
 * @throws CoreError "bad-argument", where this does not hold: A group has members.
 * @example whyGroup([{ chance: 0.2, ready: 1, misconceptionIds: ["m"] }, { chance: 0.4, ready: 0.8, misconceptionIds: ["m"] }]).shareMistake // 2
 */
export function whyGroup(members: readonly GroupedStudent[]): WhyFacts["group"] {
  demandThat(members.length > 0, "A group has members.");
  const chances = members.map(({ chance }) => chance);
  const counts = new Map<string, number>();
  for (const { misconceptionIds } of members)
    for (const id of new Set(misconceptionIds)) counts.set(id, (counts.get(id) ?? 0) + 1);
  const [shared] = [...counts].filter(([, count]) => count >= LEAST_SHARED).sort((x, y) => y[1] - x[1]);
  return {
    students: members.length,
    lowest: Math.min(...chances),
    highest: Math.max(...chances),
    leastReady: Math.min(...members.map(({ ready }) => ready)),
    shareMistake: shared?.[1] ?? 0,
    misconceptionId: shared?.[0] ?? null,
  };
}
