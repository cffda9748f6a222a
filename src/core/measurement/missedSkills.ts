/** What a test showed of one skill: chance of mastery given the test, items right and items given. */
export interface SkillResult {
  readonly skillId: string;
  readonly chance: number;
  readonly right: number;
  readonly given: number;
}

/** A skill is missed below this chance of mastery. */
const MISSED_BELOW = 0.75;

/** The skills a student missed in a test: chance of mastery under 0.75, or none of the items given right; least sure first. */
export function missedSkills(results: readonly SkillResult[]): SkillResult[] {
  return results
    .filter(({ chance, right, given }) => given > 0 && (chance < MISSED_BELOW || right === 0))
    .sort((x, y) => x.chance - y.chance);
}
