/** Blocks of a number: hundreds, tens and ones, of which there may be more than nine. */
export interface Blocks {
  readonly hundreds: number;
  readonly tens: number;
  readonly ones: number;
}

/**
 * The blocks of a whole number under a thousand or so, as few as there can be.
 * @example blocksOf(340) // { hundreds: 3, tens: 4, ones: 0 }
 */
export const blocksOf = (number: number): Blocks => ({
  hundreds: Math.floor(number / 100),
  tens: Math.floor(number / 10) % 10,
  ones: Math.floor(number) % 10,
});

/**
 * What blocks are worth.
 * @example worthOf({ hundreds: 1, tens: 12, ones: 3 }) // 223
 */
export const worthOf = ({ hundreds, tens, ones }: Blocks): number => 100 * hundreds + 10 * tens + ones;

export type Trade = "ones-to-ten" | "tens-to-hundred" | "ten-to-ones" | "hundred-to-tens";

/**
 * Blocks after ten of a kind were traded for one of the next, or one for ten; null where there are too few.
 * @example traded({ hundreds: 0, tens: 1, ones: 2 }, "ten-to-ones") // { hundreds: 0, tens: 0, ones: 12 }
 */
export function traded({ hundreds, tens, ones }: Blocks, trade: Trade): Blocks | null {
  switch (trade) {
    case "ones-to-ten":
      return ones >= 10 ? { hundreds, tens: tens + 1, ones: ones - 10 } : null;
    case "tens-to-hundred":
      return tens >= 10 ? { hundreds: hundreds + 1, tens: tens - 10, ones } : null;
    case "ten-to-ones":
      return tens >= 1 ? { hundreds, tens: tens - 1, ones: ones + 10 } : null;
    case "hundred-to-tens":
      return hundreds >= 1 ? { hundreds: hundreds - 1, tens: tens + 10, ones } : null;
  }
}
