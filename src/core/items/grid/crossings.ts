import type { Crossing } from "./body";

/**
 * A crossing under a name of its own.
 * @example crossingName([2, 3]) // "2,3"
 */
export const crossingName = ([across, up]: Crossing): string => `${across},${up}`;

/**
 * Whether a crossing lies on the line through two others.
 * @example isOnLine([2, 2], [[0, 0], [1, 1]]) // true
 */
export function isOnLine([x, y]: Crossing, line: readonly Crossing[]): boolean {
  const [[x0, y0] = [0, 0], [x1, y1] = [0, 0]] = line;
  return (x1 - x0) * (y - y0) === (y1 - y0) * (x - x0);
}

/**
 * Whether two lists hold the same crossings, or, of lines, lie on the same line.
 * @example sameCrossings("line", [[0, 0], [1, 1]], [[2, 2], [5, 5]]) // true
 */
export function sameCrossings(task: "points" | "line", one: readonly Crossing[], other: readonly Crossing[]): boolean {
  if (task === "line") return one.every((crossing) => isOnLine(crossing, other));
  return one.map(crossingName).sort().join(" ") === other.map(crossingName).sort().join(" ");
}

/**
 * Points by their coordinates.
 * @example crossingWords({ across: ["0", "1"], up: ["0", "1"] }, [[1, 0]]) // "(1, 0)"
 */
export const crossingWords = (
  { across, up }: { readonly across: readonly string[]; readonly up: readonly string[] },
  points: readonly Crossing[],
): string => points.map(([x, y]) => `(${across[x] ?? ""}, ${up[y] ?? ""})`).join("; ");
