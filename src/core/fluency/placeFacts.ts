import type { ShareInterval } from "../measurement/wilson";
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
const LEVEL = 0.95;
const LEAST_ASKED = 3;

/**
 * Where each family stands after the answers so far; a family is finite, and each of its facts is asked once.
 * @example placeFacts([{ id: "tens", facts: [{ operation: "add", left: 4, right: 6 }] }], []).map(({ familyId }) => familyId) // ["tens"]
 */
export function placeFacts(families: readonly FactFamily[], answers: readonly PlacementAnswer[]): FamilyPlacement[] {
  return families.map(({ id, facts }) => {
    const own = answers.filter(({ familyId }) => familyId === id);
    const known = knownShare(own.filter((answer) => answer.known).length, own.length, facts.length);
    const asked = own.length >= facts.length;
    const hard = own.length >= LEAST_ASKED && known.high < TOO_HARD_UNDER;
    const narrow = own.length >= LEAST_ASKED && known.high - known.low <= NARROW;
    return { familyId: id, known, ended: asked ? "all-asked" : hard ? "too-hard" : narrow ? "narrow" : null };
  });
}

/**
 * The share known with its interval: what the answers say of a family of that size, every number of known facts as likely as any other
 * before. Chances of drawing without putting back (hypergeometric); when facts are looked at one by one and asking may end at any of
 * them, such an interval still says what it says (Berger & Wolpert 1988, the stopping rule principle).
 */
function knownShare(known: number, asked: number, size: number): ShareInterval {
  const weights = Array.from({ length: size + 1 }, (_, total) =>
    total < known || size - total < asked - known
      ? 0
      : Math.exp(logChoose(total, known) + logChoose(size - total, asked - known)),
  );
  const sum = weights.reduce((total, weight) => total + weight, 0);
  const tail = ((1 - LEVEL) / 2) * sum;
  const edge = (order: readonly number[]) => {
    let below = 0;
    return (
      order.find((total) => {
        below += weights[total] ?? 0;
        return below > tail;
      }) ?? 0
    );
  };
  const rising = weights.map((_, total) => total);
  return {
    share: asked === 0 ? null : known / asked,
    low: edge(rising) / size,
    high: edge([...rising].reverse()) / size,
    n: asked,
  };
}

function logChoose(of: number, taken: number): number {
  let sum = 0;
  for (let n = 1; n <= taken; n++) sum += Math.log((of - taken + n) / n);
  return sum;
}
