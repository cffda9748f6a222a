import type { Score } from "@/core/model/score";

/** Five items of the law-school admission test, section 6, 1,000 candidates: Bock & Lieberman 1970, table 1. */
const FREQUENCIES: Readonly<Record<string, number>> = {
  "00000": 3,
  "00001": 6,
  "00010": 2,
  "00011": 11,
  "00100": 1,
  "00101": 1,
  "00110": 3,
  "00111": 4,
  "01000": 1,
  "01001": 8,
  "01011": 16,
  "01101": 3,
  "01110": 2,
  "01111": 15,
  "10000": 10,
  "10001": 29,
  "10010": 14,
  "10011": 81,
  "10100": 3,
  "10101": 28,
  "10110": 15,
  "10111": 80,
  "11000": 16,
  "11001": 56,
  "11010": 21,
  "11011": 173,
  "11100": 11,
  "11101": 61,
  "11110": 28,
  "11111": 298,
};

/** Five items of section 7, 1,000 candidates: Bock & Lieberman 1970, table 1. */
const FREQUENCIES_7: Readonly<Record<string, number>> = {
  "00000": 12,
  "00001": 19,
  "00010": 1,
  "00011": 7,
  "00100": 3,
  "00101": 19,
  "00110": 3,
  "00111": 17,
  "01000": 10,
  "01001": 5,
  "01010": 3,
  "01011": 7,
  "01100": 7,
  "01101": 23,
  "01110": 8,
  "01111": 28,
  "10000": 7,
  "10001": 39,
  "10010": 11,
  "10011": 34,
  "10100": 14,
  "10101": 51,
  "10110": 15,
  "10111": 90,
  "11000": 6,
  "11001": 25,
  "11010": 7,
  "11011": 35,
  "11100": 18,
  "11101": 136,
  "11110": 32,
  "11111": 308,
};

const rowsOf = (frequencies: Readonly<Record<string, number>>): readonly (readonly Score[])[] =>
  Object.entries(frequencies).flatMap(([pattern, count]) =>
    Array.from({ length: count }, () => [...pattern].map((mark): Score => (mark === "1" ? 1 : 0))),
  );

export const lawSchoolScores = rowsOf(FREQUENCIES);
export const lawSchoolScores7 = rowsOf(FREQUENCIES_7);
