import type { SkillTeaching, TaskWithAnswer } from "@/core/model/content";
import type { VisitResult } from "@/core/model/reteach";
import type { WhyFacts } from "@/core/model/whyFacts";

/** Minutes that may be at hand. */
export const MINUTES_AT_HAND = [3, 5, 10, 20] as const;
export type MinutesAtHand = (typeof MINUTES_AT_HAND)[number];

/** Something to do with one student now. */
export interface WorthChoice {
  readonly skillId: string;
  readonly name: string;
  readonly grade: number;
  readonly why: WhyFacts["worthDoing"];
  /** A known mistake that the student made in it; null for none. */
  readonly mistake: string | null;
  readonly task: TaskWithAnswer;
  readonly question: string;
  readonly model: SkillTeaching["model"];
}

export interface WorthStudent {
  readonly id: string;
  readonly name: string;
  /** The best first; none for whoever has everything in sight. */
  readonly choices: readonly WorthChoice[];
  /** What was done with the student today, the latest first. */
  readonly today: readonly { readonly skill: string; readonly result: VisitResult; readonly by: string }[];
}

export interface WorthView {
  readonly minutes: MinutesAtHand;
  /** Those first with whom the minutes bring most. */
  readonly students: readonly WorthStudent[];
}
