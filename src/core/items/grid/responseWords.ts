import type { DrawnGrid, GridResponse } from "./body";
import { crossingWords } from "./crossings";

/** The points by their coordinates. */
export const responseWords = (drawn: DrawnGrid, { points }: GridResponse): string => crossingWords(drawn, points);
