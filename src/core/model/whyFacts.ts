import type { MasteryMark } from "./masteryMark";

/** What a figure stands on, by the kind of figure: numbers and codes, worded where they are shown. Shares and chances are 0 to 1. */
export interface WhyFacts {
  /** A chance of mastery: right first tries of those answered, and how many somebody with and without the skill would have. */
  readonly mastery: {
    readonly right: number;
    readonly answered: number;
    /** Null where it was not kept: answers taken in before it was. */
    readonly ifMastered: number | null;
    readonly ifNot: number | null;
    /** Days since the last answer; null when there is none. */
    readonly daysAgo: number | null;
    readonly mark: MasteryMark;
  };
  /** A snag: what practice brought so far, and the chance that as many opportunities again bring mastery. */
  readonly snag: {
    readonly answered: number;
    readonly right: number;
    readonly sinceDays: number;
    readonly opportunities: number;
    readonly chanceThen: number;
    /** Whether practice has begun to help since. */
    readonly lifting: boolean;
  };
  /** A group: how many share the gap, from which chance to which, and how ready the least ready is. */
  readonly group: {
    readonly students: number;
    readonly lowest: number;
    readonly highest: number;
    readonly leastReady: number;
    /** Members who showed the most common mistake; 0 when none is shared by two or more. */
    readonly shareMistake: number;
    readonly misconceptionId: string | null;
  };
  /** A skill worth doing first: from which chance to which a usual visit brings it. */
  readonly worthDoing: {
    readonly before: number;
    readonly after: number;
    readonly minutes: number;
    readonly answers: number;
    readonly ready: number;
    readonly unlocks: boolean;
  };
  readonly effort: { readonly rapid: number; readonly answers: number };
  /** A gain: the difference, how far luck alone goes, and whether it is beyond that. */
  readonly gain: {
    readonly difference: number;
    readonly byLuck: number;
    readonly change: "up" | "down" | "within-error";
  };
  readonly review: {
    readonly recall: number;
    readonly daysSinceMet: number;
    readonly overdueDays: number;
    readonly due: boolean;
  };
}
export type WhyKind = keyof WhyFacts;
