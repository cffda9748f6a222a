import { rational } from "../../numeric/rational";
import type { AlgebraNode } from "./node";
import { isSum } from "./writtenTerms";

type SlippedNode = { readonly node: AlgebraNode; readonly kind: "distribution" | "sign" };
type SumNode = Extract<AlgebraNode, { kind: "sum" | "difference" | "product" | "quotient" | "power" }>;

/**
 * Everything an expression becomes by one slip in opening one of its brackets: a factor or divisor given to one part only, a
 * power taken of each part ("distribution"); a minus given to the first part only, or the last sign turned ("sign").
 * @example bracketSlips(readAlgebra("2(x + 3)").left).map(({ node }) => writeNode(node)) // ["2x + 3", "x + 2 * 3", "2x - 2 * 3"]
 */
export function bracketSlips(node: AlgebraNode): SlippedNode[] {
  const inner: SlippedNode[] =
    "of" in node
      ? bracketSlips(node.of).map((slip) => ({ ...slip, node: { ...node, of: slip.node } }))
      : "left" in node
        ? [
            ...bracketSlips(node.left).map((slip) => ({ ...slip, node: { ...node, left: slip.node } })),
            ...bracketSlips(node.right).map((slip) => ({ ...slip, node: { ...node, right: slip.node } })),
          ]
        : [];
  return [...slipsHere(node), ...inner];
}

function slipsHere(node: AlgebraNode): SlippedNode[] {
  if (node.kind === "negative" && isSum(node.of)) {
    const { left, right, kind } = node.of as SumNode;
    return [{ node: { ...(node.of as SumNode), left: negative(left), right, kind }, kind: "sign" }];
  }
  if (node.kind === "difference" && isSum(node.right)) {
    const { left, right, kind } = node.right as SumNode;
    const first: AlgebraNode = { kind: "difference", left: node.left, right: left };
    return [{ node: { ...(node.right as SumNode), left: first, right, kind }, kind: "sign" }];
  }
  if (node.kind === "power" && isSum(node.left)) {
    const { left, right } = node.left as SumNode;
    const raised = (base: AlgebraNode): AlgebraNode => ({ kind: "power", left: base, right: node.right });
    return (["sum", "difference"] as const).map((kind) => ({
      node: { kind, left: raised(left), right: raised(right) },
      kind: "distribution" as const,
    }));
  }
  if (node.kind === "product" && isSum(node.right))
    return productSlips(node.right as SumNode, (part) => product(node.left, part));
  if (node.kind === "product" && isSum(node.left))
    return productSlips(node.left as SumNode, (part) => product(part, node.right));
  if (node.kind === "quotient" && isSum(node.left))
    return productSlips(node.left as SumNode, (part) => ({ kind: "quotient", left: part, right: node.right }));
  return [];
}

function productSlips(bracket: SumNode, spread: (part: AlgebraNode) => AlgebraNode): SlippedNode[] {
  const { kind, left, right } = bracket;
  const turned = kind === "sum" ? "difference" : "sum";
  return [
    { node: { kind, left: spread(left), right }, kind: "distribution" },
    { node: { kind, left, right: spread(right) }, kind: "distribution" },
    { node: { kind: turned, left: spread(left), right: spread(right) }, kind: "sign" },
  ];
}

const product = (left: AlgebraNode, right: AlgebraNode): AlgebraNode => ({ kind: "product", left, right });

function negative(of: AlgebraNode): AlgebraNode {
  return { kind: "product", left: { kind: "number", value: rational(-1) }, right: of };
}
