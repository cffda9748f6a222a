import type { AlgebraLine, AlgebraNode } from "./node";
import { unknownsOf } from "./unknownsOf";

/**
 * What an equation becomes by one slip in taking a factor or divisor of a whole side to the other: with the same operation instead of its
 * inverse, or taken away or added. "(x + 1)/2 = 4" gives "x + 1 = 4/2".
 * @example factorSlips(readAlgebra("(x + 1)/2 = 4")).length // 3
 */
export function factorSlips({ relation, left, right }: AlgebraLine): AlgebraLine[] {
  if (!right) return [];
  return [
    ...slipsOfSide(left).map(([of, change]) => ({ relation, left: of, right: change(right) })),
    ...slipsOfSide(right).map(([of, change]) => ({ relation, left: change(left), right: of })),
  ];
}

type Change = (other: AlgebraNode) => AlgebraNode;

/** What stays of a side once its number is gone, with what is wrongly done to the other side. */
function slipsOfSide(side: AlgebraNode): (readonly [AlgebraNode, Change])[] {
  if (side.kind !== "quotient" && side.kind !== "product") return [];
  const isNumberFirst = side.kind === "product" && unknownsOf(side.left).length === 0;
  const [of, by] = isNumberFirst ? [side.right, side.left] : [side.left, side.right];
  if (unknownsOf(by).length > 0 || unknownsOf(of).length === 0) return [];
  const kinds = [side.kind, "sum", "difference"] as const;
  return kinds.map((kind) => [of, (other) => ({ kind, left: other, right: by })]);
}
