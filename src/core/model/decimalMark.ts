/** What parts a number's decimals where a school is: what a single mark that could also set thousands apart stands for. */
export const DECIMAL_MARKS = ["point", "comma"] as const;
export type DecimalMark = (typeof DECIMAL_MARKS)[number];
