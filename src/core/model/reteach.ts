/** Ways to teach a skill again: with things to hold, from students' own wrong answers, with a model to move, a worked example step by step, or one step down. */
export const APPROACHES = ["things", "own-answers", "model", "steps", "underneath"] as const;
export type Approach = (typeof APPROACHES)[number];

/**
 * What can be said of a group's reteach: it worked; they did not move further than others; they may have, or not; or nothing, for there were too
 * few like them, or too few of them, who did the check.
 */
export const WORKED_VERDICTS = ["worked", "no-further", "open", "no-comparison"] as const;
export type WorkedVerdict = (typeof WORKED_VERDICTS)[number];

/** A change of some students against that of similar ones: chances of mastery or shares of a check, 0 to 1. */
export interface ComparedFigures {
  /** Mean change of the members, and of the similar students matched to them. */
  readonly change: number;
  readonly changeOfSimilar: number;
  /** Their difference with its interval, at the level that was asked for. */
  readonly difference: number;
  readonly low: number;
  readonly high: number;
  /** Members that could be matched, of all, and different students they were matched with. */
  readonly matched: number;
  readonly members: number;
  readonly similar: number;
}

/** What was judged of a reteach on its check's day. Null where too few could be compared. */
export interface WorkedFigures {
  readonly chance: ComparedFigures | null;
  readonly check: ComparedFigures | null;
  /** Students who were taught, were there and did the check. */
  readonly students: number;
}

/** What came of a few minutes with one student. */
export const VISIT_RESULTS = ["got", "nearly", "missed"] as const;
export type VisitResult = (typeof VISIT_RESULTS)[number];

/** A lesson of the week's small-group time: weekday 1 to 5, a dash, lesson of the day; and how long it is. */
export interface GroupTime {
  readonly slot: string;
  readonly minutes: number;
}

/** What a class keeps of how its groups are made. Pairs are ids of students. */
export interface GroupHabits {
  readonly times: readonly GroupTime[];
  readonly smallest: number;
  readonly largest: number;
  readonly apart: readonly (readonly [string, string])[];
  readonly together: readonly (readonly [string, string])[];
}

/** What a teacher changed of the parts of a reteach, by part. */
export type OwnParts = Readonly<Partial<Record<"show" | "ask" | "together" | "alone" | "exit" | "note", string>>>;
