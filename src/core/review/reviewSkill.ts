import type { Memory } from "./reviewMemory";

/** A skill of one student in spaced review. */
export interface ReviewSkill {
  readonly skillId: string;
  readonly strandId: string;
  readonly memory: Memory;
  /** Day number on which the student last met it. */
  readonly lastDay: number;
  /** Minutes that one meeting takes, above 0. */
  readonly minutes: number;
  /** False for what is asked and was never mastered: it can't be remembered yet, and counts among nothing that is. */
  readonly wasMastered?: boolean;
}

/** A skill is due once its chance of recall has fallen to this. */
export const WANTED_RECALL = 0.9;
