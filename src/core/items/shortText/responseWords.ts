import type { DrawnShortText, ShortTextResponse } from "./body";

/** As it was typed. */
export const responseWords = (_: DrawnShortText, { text }: ShortTextResponse): string => text;
