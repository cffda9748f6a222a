/** One side of a balance: so many unknowns and so many ones. */
export interface BalanceSide {
  readonly unknowns: number;
  readonly ones: number;
}

export interface Balance {
  readonly left: BalanceSide;
  readonly right: BalanceSide;
}

const TERM = /([+-]?)\s*(\d*)\s*([a-z]?)/g;

/**
 * A side from how it is written, with one unknown and whole numbers.
 * @example balanceSide("3x + 5") // { unknowns: 3, ones: 5 }
 */
export function balanceSide(written: string): BalanceSide {
  let unknowns = 0;
  let ones = 0;
  for (const [whole, sign, digits, letter] of written.replace(/−/g, "-").matchAll(TERM)) {
    if (whole.trim() === "" || (digits === "" && letter === "")) continue;
    const count = (sign === "-" ? -1 : 1) * (digits === "" ? 1 : Number(digits));
    if (letter === "") ones += count;
    else unknowns += count;
  }
  return { unknowns, ones };
}

/**
 * The value of the unknown that makes both sides equal; null where none or every one does.
 * @example balanceSolution({ left: { unknowns: 3, ones: 5 }, right: { unknowns: 0, ones: 26 } }) // 7
 */
export function balanceSolution({ left, right }: Balance): number | null {
  const unknowns = left.unknowns - right.unknowns;
  return unknowns === 0 ? null : (right.ones - left.ones) / unknowns;
}

/** What can be done to both sides, or to one alone to see it tip. */
export type BalanceMove =
  | { readonly kind: "take-ones"; readonly count: number }
  | { readonly kind: "take-unknown" }
  | { readonly kind: "share"; readonly by: number };

/**
 * A side after a move; null where the side has too few for it, or does not share evenly.
 * @example sideAfter({ unknowns: 3, ones: 21 }, { kind: "share", by: 3 }) // { unknowns: 1, ones: 7 }
 */
export function sideAfter({ unknowns, ones }: BalanceSide, move: BalanceMove): BalanceSide | null {
  switch (move.kind) {
    case "take-ones":
      return ones >= move.count ? { unknowns, ones: ones - move.count } : null;
    case "take-unknown":
      return unknowns >= 1 ? { unknowns: unknowns - 1, ones } : null;
    case "share":
      return unknowns % move.by === 0 && ones % move.by === 0
        ? { unknowns: unknowns / move.by, ones: ones / move.by }
        : null;
  }
}
