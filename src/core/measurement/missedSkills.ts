/** What a test showed of one skill: chance of mastery given the test, items right and items given. */
export interface SkillResult {
  readonly skillId: string;
  readonly chance: number;
  readonly right: number;
  readonly given: number;
}

/** A skill is missed below this chance of mastery. */
const MISSED_BELOW = 0.75;

/**
 * The skills a student missed in a test: something was wrong, and the chance of mastery is under 0.75 or nothing was right; least sure first. Where
 * everything was right too little may be known, but nothing was missed.
 * @example missedSkills([{ skillId: "a", chance: 0.3, right: 1, given: 4 }, { skillId: "b", chance: 0.97, right: 4, given: 4 }]).map(({ skillId }) => skillId) // ["a"]
 */
export function missedSkills(results: readonly SkillResult[]): SkillResult[] {
  return results
    .filter(({ chance, right, given }) => right < given && (chance < MISSED_BELOW || right === 0))
    .sort((x, y) => x.chance - y.chance);
}
