import { rational } from "../../numeric/rational";
import type { AlgebraLine, AlgebraNode } from "./node";
import { unknownsOf } from "./unknownsOf";

const zero: AlgebraNode = { kind: "number", value: rational(0) };
/** Bars that are taken apart in one line; each doubles the alternatives. */
const MOST_BARS = 3;

/**
 * A relation with bars, or with a root alone on one side of an equation, as alternatives of lines without them: "|x| = 3" is "x = 3 and
 * x >= 0, or -x = 3 and x < 0"; "√x = 3" is "x = 9 and 3 >= 0". Anything else stays as it is.
 * @example plainAlternatives(readAlgebra("|x| = 3")).length // 2
 */
export function plainAlternatives(line: AlgebraLine): AlgebraLine[][] {
  return withoutBars([line], MOST_BARS).map((lines) => lines.flatMap(withoutRoot));
}

function withoutBars(lines: readonly AlgebraLine[], left: number): AlgebraLine[][] {
  const [line, ...conditions] = lines;
  const bars = line && left > 0 ? (barsIn(line.left) ?? (line.right && barsIn(line.right))) : null;
  if (!line || !bars) return [[...lines]];
  const inside = bars.of;
  const lineWith = (value: AlgebraNode): AlgebraLine => ({
    ...line,
    left: replaced(line.left, bars, value),
    right: line.right && replaced(line.right, bars, value),
  });
  return [
    ...withoutBars([lineWith(inside), ...conditions, { relation: ">=", left: inside, right: zero }], left - 1),
    ...withoutBars(
      [lineWith({ kind: "negative", of: inside }), ...conditions, { relation: "<", left: inside, right: zero }],
      left - 1,
    ),
  ];
}

type Bars = Extract<AlgebraNode, { of: AlgebraNode }>;

/** The innermost bars around an unknown that come first. */
function barsIn(node: AlgebraNode): Bars | null {
  if ("of" in node) {
    const inner = barsIn(node.of);
    return inner ?? (node.kind === "absolute" && unknownsOf(node.of).length > 0 ? node : null);
  }
  return "left" in node ? (barsIn(node.left) ?? barsIn(node.right)) : null;
}

function replaced(node: AlgebraNode, part: AlgebraNode, by: AlgebraNode): AlgebraNode {
  if (node === part) return by;
  if ("of" in node) return { ...node, of: replaced(node.of, part, by) };
  return "left" in node
    ? { ...node, left: replaced(node.left, part, by), right: replaced(node.right, part, by) }
    : node;
}

function withoutRoot(line: AlgebraLine): AlgebraLine[] {
  const { relation, left, right } = line;
  if (relation !== "=" || !right) return [line];
  const [root, other] = left.kind === "root" ? [left, right] : [right, left];
  if (root.kind !== "root" || unknownsOf(root.of).length === 0) return [line];
  const square: AlgebraNode = { kind: "product", left: other, right: other };
  return [
    { relation, left: root.of, right: square },
    { relation: ">=", left: other, right: zero },
  ];
}
