import type { DrawnNumber, NumberResponse } from "./body";

/** As it was typed. */
export const responseWords = (_: DrawnNumber, { text }: NumberResponse): string => text;
