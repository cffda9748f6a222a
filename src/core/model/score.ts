/** A scored answer: 1 right, 0 wrong, null not given. */
export type Score = 0 | 1 | null;
