import type { Relation } from "./node";

/**
 * A line from its written sides; the left side alone without a relation.
 * @example writeLine("x", "=", "3") // "x = 3"
 */
export function writeLine(left: string, relation: Relation | null, right: string | null): string {
  return relation && right !== null ? `${left} ${relation} ${right}` : left;
}
