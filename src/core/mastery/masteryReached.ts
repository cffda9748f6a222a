/** The end rule of practice: how sure, after how many scored answers, on how many different item models. */
export const MASTERY_RULE = { chance: 0.95, scoredAnswers: 4, itemModels: 2 } as const;

/** True when a skill's evidence meets the end rule: P >= 0.95 after 4 scored answers on 2 or more item models. */
export function masteryReached(evidence: {
  readonly mastery: number;
  readonly scoredAnswers: number;
  readonly modelIds: readonly string[];
}): boolean {
  return (
    evidence.mastery >= MASTERY_RULE.chance &&
    evidence.scoredAnswers >= MASTERY_RULE.scoredAnswers &&
    evidence.modelIds.length >= MASTERY_RULE.itemModels
  );
}
