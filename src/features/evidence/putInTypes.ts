import type { ComparedFigures } from "@/core/model/reteach";
import type { PutIn, PutInCounts, PutInMove } from "@/core/work/putIn";

export interface PutInPart {
  readonly title: string;
  readonly seconds: number;
  readonly right: number;
  readonly answered: number;
  readonly lessons: number;
}

export interface PutInStudent {
  readonly id: string;
  readonly name: string;
  readonly classId: string;
  readonly counts: PutInCounts;
  readonly figures: PutIn;
  /** Share right at the first try; null before the first answer. */
  readonly result: number | null;
  readonly right: number;
  readonly answered: number;
  readonly move: PutInMove;
  /** What they worked on, with time. */
  readonly parts: readonly PutInPart[];
  /** The skill that went worst; null where none was answered. */
  readonly skillId: string | null;
  readonly hints: number;
  /** Models of lessons that were moved. */
  readonly models: number;
}

export const ACTIVITIES = ["lesson", "model", "hints", "second-tries"] as const;
export type Activity = (typeof ACTIVITIES)[number];

/** What those who did something gained over similar ones who did not. */
export interface ActivityView {
  readonly activity: Activity;
  readonly did: number;
  readonly didNot: number;
  /** Null where fewer than five stand on a side, or too few are alike. */
  readonly compared: ComparedFigures | null;
  readonly whoDidNot: readonly { readonly id: string; readonly name: string }[];
}

export interface PutInView {
  /** One piece of work; null for all of the days in view. */
  readonly piece: { readonly id: string; readonly title: string } | null;
  readonly pieces: readonly { readonly id: string; readonly title: string }[];
  readonly line: number;
  readonly students: readonly PutInStudent[];
  readonly activities: readonly ActivityView[];
}
