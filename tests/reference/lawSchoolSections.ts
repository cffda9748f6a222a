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

export const lawSchoolScores: readonly (readonly Score[])[] = Object.entries(FREQUENCIES).flatMap(([pattern, count]) =>
  Array.from({ length: count }, () => [...pattern].map((mark): Score => (mark === "1" ? 1 : 0))),
);
