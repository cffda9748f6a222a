import { type ShareInterval, wilson } from "../measurement/wilson";
import type { Fact } from "./fact";

/** A family of facts asked together, such as the sevens, easiest family first. */
export interface FactFamily {
  readonly id: string;
  readonly facts: readonly Fact[];
}

/** A fact asked in placement, and whether it came right within the limit. */
export interface PlacementAnswer {
  readonly familyId: string;
  readonly factId: string;
  readonly known: boolean;
}

export interface FamilyPlacement {
  readonly familyId: string;
  /** Share of the family known by heart, with its interval. */
  readonly known: ShareInterval;
  readonly ended: "narrow" | "too-hard" | "all-asked" | null;
}

/** A family ends when its interval is at most this wide, or lies under this share altogether. */
const NARROW = 0.4;
const TOO_HARD_UNDER = 0.5;
const LEVEL = 0.9;
const LEAST_ASKED = 3;

/**
 * Where each family stands after the answers so far: the interval is corrected for the facts left (a family is finite).
 * @example placeFacts([{ id: "tens", facts: [{ operation: "add", left: 4, right: 6 }] }], []).map(({ familyId }) => familyId) // ["tens"]
 */
export function placeFacts(families: readonly FactFamily[], answers: readonly PlacementAnswer[]): FamilyPlacement[] {
  return families.map(({ id, facts }) => {
    const own = answers.filter(({ familyId }) => familyId === id);
    const known = shrink(wilson(own.filter((answer) => answer.known).length, own.length, LEVEL), facts.length);
    const asked = own.length >= facts.length;
    const hard = own.length >= LEAST_ASKED && known.high < TOO_HARD_UNDER;
    const narrow = own.length >= LEAST_ASKED && known.high - known.low <= NARROW;
    return { familyId: id, known, ended: asked ? "all-asked" : hard ? "too-hard" : narrow ? "narrow" : null };
  });
}

/** The interval pulled in by the finite-population factor sqrt((N - n) / (N - 1)) (Cochran 1977, chapter 2). */
function shrink(interval: ShareInterval, size: number): ShareInterval {
  const { share, low, high, n } = interval;
  if (share === null || size < 2) return interval;
  const factor = Math.sqrt(Math.max(0, size - n) / (size - 1));
  return { share, low: share - (share - low) * factor, high: share + (high - share) * factor, n };
}
