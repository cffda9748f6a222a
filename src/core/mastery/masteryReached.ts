/** The usual end rule of practice: how sure, after how many scored answers, on how many different items. */
export const MASTERY_RULE = { kind: "confidence", chance: 0.95, scoredAnswers: 4, items: 2 } as const;

/**
 * True when a skill's evidence meets a rule of confidence: unless stated P >= 0.95 after 4 scored answers on 2 or more different items.
 * @example masteryReached({ mastery: 0.97, scoredAnswers: 8, itemIds: ["a", "b", "c"] }) // true
 */
export function masteryReached(
  evidence: { readonly mastery: number; readonly scoredAnswers: number; readonly itemIds: readonly string[] },
  rule: { readonly chance: number; readonly scoredAnswers: number; readonly items: number } = MASTERY_RULE,
): boolean {
  return (
    evidence.mastery >= rule.chance &&
    evidence.scoredAnswers >= rule.scoredAnswers &&
    evidence.itemIds.length >= rule.items
  );
}
