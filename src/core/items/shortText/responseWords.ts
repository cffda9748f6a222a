import type { DrawnShortText, ShortTextResponse } from "./body";

/**
 * As it was typed.
 * @example responseWords({}, { text: "a half" }) // "a half"
 */
export const responseWords = (_: DrawnShortText, { text }: ShortTextResponse): string => text;
