import type { DrawnNumberLine, NumberLineResponse } from "./body";
import { markWords } from "./lineWords";

/** The mark as it is written. */
export const responseWords = (drawn: DrawnNumberLine, { mark }: NumberLineResponse): string => markWords(drawn, mark);
