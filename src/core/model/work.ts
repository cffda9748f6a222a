/** How a part of a piece of work runs. Each has a conductor of its own (`core/work/conductors`). */
export const WORK_KINDS = ["practice", "check", "amount"] as const;
export type WorkKind = (typeof WORK_KINDS)[number];

/** Why a run at a piece of work is over. */
export const FINISH_REASONS = ["mastered", "budget", "amount"] as const;
export type FinishReason = (typeof FINISH_REASONS)[number];

/** How sure practice has to be before it calls a skill mastered. */
export const CERTAINTIES = ["quicker", "usual", "stricter"] as const;
export type Certainty = (typeof CERTAINTIES)[number];

/** What a kind of work asks of whoever sets it up. */
export interface PartSettings {
  /** Items that end it, or the most that may be spent. */
  readonly items: number;
  /** Of practice that ends with mastery; usual where it is missing. */
  readonly certainty?: Certainty;
}

/** What a conductor remembers of the beginning. */
export interface SittingState {
  /** Chance of mastery by skill id. */
  readonly chancesAtStart?: Readonly<Record<string, number>>;
}
