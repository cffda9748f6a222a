import type { DrawnSteps, StepsResponse } from "./body";
import { writtenLines } from "./check";

/**
 * The lines as they were typed.
 * @example responseWords({}, { lines: ["2x = 4", "x = 2"] }) // "2x = 4; x = 2"
 */
export const responseWords = (_: DrawnSteps, { lines }: StepsResponse): string => writtenLines(lines).join("; ");
