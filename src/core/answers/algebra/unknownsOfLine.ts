import type { AlgebraLine } from "./node";
import { unknownsOf } from "./unknownsOf";

/**
 * The names of a line's unknowns, each once, in the order in which they stand.
 * @example unknownsOfLine(readAlgebra("2x = y + x")) // ["x", "y"]
 */
export const unknownsOfLine = ({ left, right }: AlgebraLine): string[] => [
  ...new Set([...unknownsOf(left), ...(right ? unknownsOf(right) : [])]),
];
