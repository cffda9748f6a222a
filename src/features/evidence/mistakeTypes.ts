interface Named {
  readonly id: string;
  readonly name: string;
}

/** A known mistake in a skill over some days. */
export interface MistakeLine {
  readonly key: string;
  readonly skillId: string;
  readonly skill: string;
  readonly grade: number;
  readonly misconceptionId: string;
  readonly name: string;
  readonly explanation: string;
  /** Who showed it in these days and is not Secure today, the most often first. */
  readonly students: readonly (Named & { readonly times: number })[];
  /** Who showed it in these days and is Secure today. */
  readonly secureSince: readonly Named[];
  /** Students who showed it in each week of the range, the last one last. */
  readonly weeks: readonly number[];
  /** Students who showed it in the days set against these; null without any. */
  readonly before: number | null;
  /** Whether the skill's reteach plan has a wrong answer of this kind to look at. */
  readonly answered: boolean;
  /** In words; null where it was not planned. */
  readonly blocks: readonly string[];
}

export interface MistakesView {
  readonly lines: readonly MistakeLine[];
  /** First days of the weeks, in words. */
  readonly weeks: readonly string[];
  readonly students: number;
  /** First answers that were wrong in these days, and answers, of second tries too, that showed a known mistake. */
  readonly wrong: number;
  readonly told: number;
}
