/** Kinds of slip that a wrong line can be traced to. */
export type SlipKind =
  /** A factor that multiplied only part of a bracket, or a power taken of each part. */
  | "distribution"
  /** A sign lost or turned, within a term or in opening a bracket. */
  | "sign"
  /** A term or factor taken to the other side with the same operation instead of its inverse. */
  | "inverse-operation"
  /** An inequality not turned, or turned without need. */
  | "direction"
  /** The right step, worked out to another number. */
  | "arithmetic";

/** The likely slip; for arithmetic, the number that was written and the one that would be right. */
export interface Slip {
  readonly kind: SlipKind;
  readonly written?: string;
  readonly wanted?: string;
}
