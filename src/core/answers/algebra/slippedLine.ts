import { rational } from "../../numeric/rational";
import { bracketSlips } from "./bracketSlips";
import { likelySlip } from "./likelySlip";
import type { UsefulStep } from "./nextUsefulStep";
import type { AlgebraLine, AlgebraNode } from "./node";
import { readAlgebra } from "./readAlgebra";
import type { SlipKind } from "./slip";
import { TURNED } from "./turnedRelation";
import { unknownsOf } from "./unknownsOf";
import { unknownsOfLine } from "./unknownsOfLine";
import { writeLine } from "./writeLine";
import { writeNode } from "./writeNode";

/**
 * The wrong line that a slip of a kind makes of a line on the way to its next useful step; null when the slip can't be made there. Whatever is
 * made is a line that `likelySlip` traces back to the same kind.
 * @example slippedLine("x + 3 = 5", { kind: "move-number", with: "3", line: "x = 2" }, "inverse-operation") // "x = 8"
 */
export function slippedLine(from: string, step: UsefulStep, kind: SlipKind): string | null {
  const [before, after] = [readAlgebra(from), readAlgebra(step.line)];
  if ("unreadable" in before || "unreadable" in after) return null;
  const [unknown = "x"] = unknownsOfLine(before);
  const made = [...bracketsMissed(before), ...stepsMissed(after, numberOf(step.with))].map((line) =>
    writeLine(writeNode(line.left), line.relation, line.right && writeNode(line.right)),
  );
  return (
    made.find((text) => {
      const line = readAlgebra(text);
      return !("unreadable" in line) && likelySlip(before, line, unknown)?.kind === kind;
    }) ?? null
  );
}

function bracketsMissed(line: AlgebraLine): AlgebraLine[] {
  const { left, right } = line;
  return [
    ...bracketSlips(left).map(({ node }) => ({ ...line, left: node })),
    ...(right ? bracketSlips(right).map(({ node }) => ({ ...line, right: node })) : []),
  ];
}

/** The step's own line with a number that the slip would give: moved with the same operation, its sign lost, worked out one too high, or not turned. */
function stepsMissed(after: AlgebraLine, by: AlgebraNode | null): AlgebraLine[] {
  const { relation, left, right } = after;
  if (!relation || !right) return [];
  const isLeftNumber = unknownsOf(left).length === 0;
  const [other, number] = isLeftNumber ? [right, left] : [left, right];
  const withNumber = (node: AlgebraNode): AlgebraLine =>
    isLeftNumber ? { ...after, left: node } : { ...after, right: node };
  const moved = by ? movedWrongly(number, by).map(withNumber) : [];
  const negative: AlgebraNode = { kind: "negative", of: other };
  const turnedSign = isLeftNumber ? { ...after, right: negative } : { ...after, left: negative };
  return [...moved, turnedSign, withNumber(plus(number, 1)), { ...after, relation: TURNED[relation] }];
}

function movedWrongly(number: AlgebraNode, by: AlgebraNode): AlgebraNode[] {
  if (number.kind !== "number" || by.kind !== "number") return [];
  const [n, w] = [number.value, by.value];
  const values = [n.add(w).add(w), n.sub(w).sub(w), n.mul(w).mul(w), n.mul(w).sub(w), n.mul(w).add(w)];
  return values.map((value) => ({ kind: "number", value }));
}

function plus(node: AlgebraNode, by: number): AlgebraNode {
  const one: AlgebraNode = { kind: "number", value: rational(by) };
  return node.kind === "number"
    ? { kind: "number", value: node.value.add(rational(by)) }
    : { kind: "sum", left: node, right: one };
}

/** A number as it was written ("3", "-1/2"); null for anything with an unknown in it. */
function numberOf(text: string): AlgebraNode | null {
  const read = /^-?\d+(\/\d+)?$/.exec(text);
  return read ? { kind: "number", value: rational(text) } : null;
}
