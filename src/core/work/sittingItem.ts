import { type Rational, rational } from "../numeric/rational";

/** An item that a sitting has shown, shows, or holds ready for a lost connection. */
export interface SittingItem {
  readonly id: string;
  readonly state: "reserve" | "open" | "done";
  /** The skill it was chosen for. */
  readonly skillId: string;
  readonly itemId: string;
  readonly versionId: string;
  readonly seed: number;
  readonly context: string;
  readonly tries: number;
  /** What it weighs in the mark; whole, 0 or more. */
  readonly points: number;
  /** What the first try earned of what was possible, in whole steps; null before it, and until a person has scored it. */
  readonly earned: number | null;
  readonly possible: number | null;
  /** The student said that this was not learned yet: neither right nor wrong. */
  readonly setAside: boolean;
}

/**
 * Whether it is known what the first try earned: not before it, and not while a person has to score it.
 * @example isScored({ earned: null }) // false
 */
export const isScored = ({ earned }: Pick<SittingItem, "earned">): boolean => earned !== null;

/**
 * Whether the first try earned everything.
 * @example isRightFirst({ earned: 2, possible: 2 }) // true
 */
export const isRightFirst = ({ earned, possible }: Pick<SittingItem, "earned" | "possible">): boolean =>
  earned !== null && earned === possible;

/**
 * What the first try earned of what was possible, 0 to 1, exact.
 * @example shareOfFirst({ earned: 2, possible: 3 }).toFraction() // "2/3"
 */
export const shareOfFirst = ({ earned, possible }: Pick<SittingItem, "earned" | "possible">): Rational =>
  earned === null || possible === null ? rational(0) : rational(earned, possible);
