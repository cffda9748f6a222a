import type { DrawnWritten, WrittenResponse } from "./body";

/**
 * As it was typed.
 * @example responseWords({}, { text: "Because both are halved." }) // "Because both are halved."
 */
export const responseWords = (_: DrawnWritten, { text }: WrittenResponse): string => text;
