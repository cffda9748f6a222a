import type { DrawnNumberLine, NumberLineResponse } from "./body";
import { markWords, numberAt } from "./lineWords";

/** The mark as it is written. */
export const responseWords = (drawn: DrawnNumberLine, { mark }: NumberLineResponse): string =>
  markWords((place) => numberAt(drawn, place), mark);
