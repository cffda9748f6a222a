import type { AlgebraLine, AlgebraNode } from "./node";
import { unknownsOf } from "./unknownsOf";

/** A line solved for one unknown: its name and the other side. */
export interface LoneUnknown {
  readonly name: string;
  readonly value: AlgebraNode;
}

/**
 * The unknown that stands alone on one side of a relation and nowhere on the other; null for any other line.
 * @example loneUnknown(readAlgebra("t = d/r"))?.name // "t"
 */
export function loneUnknown({ left, right }: AlgebraLine): LoneUnknown | null {
  if (!right) return null;
  if (left.kind === "unknown" && !unknownsOf(right).includes(left.name)) return { name: left.name, value: right };
  if (right.kind === "unknown" && !unknownsOf(left).includes(right.name)) return { name: right.name, value: left };
  return null;
}
