import type { DrawnNumber, NumberResponse } from "./body";

/**
 * As it was typed.
 * @example responseWords({}, { text: " 7 " }) // " 7 "
 */
export const responseWords = (_: DrawnNumber, { text }: NumberResponse): string => text;
