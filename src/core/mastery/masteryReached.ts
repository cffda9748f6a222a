import type { Certainty } from "../model/work";

/**
 * The usual end rule of practice: how sure, after how many first answers without a hint, on how many different items. The chance was
 * chosen in the worlds of `npm run prove`, so that of those without the skill no more than one in ten is declared within 20 items.
 */
export const MASTERY_RULE = { kind: "confidence", chance: 0.92, scoredAnswers: 4, items: 2 } as const;

/** The chance of mastery that a teacher may ask for instead; what each lets through and holds up stands in docs/measurement.md. */
const CHANCES: Readonly<Record<Certainty, number>> = { quicker: 0.85, usual: MASTERY_RULE.chance, stricter: 0.97 };

/**
 * The end rule of practice by how sure it has to be.
 * @example masteryRule("stricter").chance // 0.97
 */
export const masteryRule = (certainty: Certainty = "usual") => ({ ...MASTERY_RULE, chance: CHANCES[certainty] });

/** Whoever is asked often enough meets any chance once; so the doubt that is allowed shrinks with the answers, down to this share. */
const LEAST_DOUBT = 0.2;
const FULL_DOUBT_UP_TO = 6;
const LEAST_DOUBT_FROM = 35;

/**
 * The chance of mastery that a rule demands after so many answers in the skill: its own up to 6, then rising to 35 (0.92 to 0.984).
 * @example wantedChance({ chance: 0.92 }, 35).toFixed(3) // "0.984"
 */
export function wantedChance({ chance }: { readonly chance: number }, answers: number): number {
  const along = Math.min(1, Math.max(0, (answers - FULL_DOUBT_UP_TO) / (LEAST_DOUBT_FROM - FULL_DOUBT_UP_TO)));
  return 1 - (1 - chance) * (1 - along * (1 - LEAST_DOUBT));
}

/** What the summary of a skill shows to a rule of confidence. */
export interface MasteryEvidence {
  readonly mastery: number;
  /** First tries, and those of them without a hint. */
  readonly scoredAnswers: number;
  readonly unaidedAnswers: number;
  readonly itemIds: readonly string[];
}

/**
 * True when a skill's evidence meets a rule of confidence: unless stated, the wanted chance after 4 first answers without a hint on 2 or
 * more different items. Right answers after hints alone never do.
 * @example masteryReached({ mastery: 0.97, scoredAnswers: 8, unaidedAnswers: 6, itemIds: ["a", "b", "c"] }) // true
 */
export function masteryReached(
  evidence: MasteryEvidence,
  rule: { readonly chance: number; readonly scoredAnswers: number; readonly items: number } = MASTERY_RULE,
): boolean {
  return (
    evidence.mastery >= wantedChance(rule, evidence.scoredAnswers) &&
    evidence.unaidedAnswers >= rule.scoredAnswers &&
    evidence.itemIds.length >= rule.items
  );
}
