import { loneUnknown } from "./loneUnknown";
import type { AlgebraLine, AlgebraNode, AlgebraStatement } from "./node";
import { unknownsOf } from "./unknownsOf";
import { writeNode } from "./writeNode";

/** How an answer has to be written: in any form; as a solution ("x = 5", "5"); multiplied out with like terms collected. */
export type AlgebraForm = "any" | "solved" | "collected";

/**
 * True when an answer is written as asked for. Solved: every line has an unknown alone on one side and, on the other, what was worked out
 * (a value, or an expression without it); lines that hold for all or no numbers are solved as well. `unknown`: the one to
 * solve for, where it is a certain one.
 * @example isWrittenAs(readStatement("2(x + 3) = 10").usual, "solved", "x") // false
 */
export function isWrittenAs(of: AlgebraStatement, form: AlgebraForm, unknown: string | null): boolean {
  if (form === "any") return true;
  const lines = of.flat();
  if (form === "solved") return lines.every((line) => isSolved(line, unknown));
  return lines.every(({ left, right }) => isCollected(left) && (right === null || isCollected(right)));
}

function isSolved(line: AlgebraLine, unknown: string | null): boolean {
  if (!line.right) return unknownsOf(line.left).length > 0 || isWorkedOut(line.left);
  if (unknownsOf(line.left).length + unknownsOf(line.right).length === 0) return true;
  const lone = loneUnknown(line);
  if (!lone || (unknown !== null && lone.name !== unknown)) return false;
  return unknownsOf(lone.value).length > 0 || isWorkedOut(lone.value);
}

/** A value with nothing left to work out: a number, a fraction that is no whole number, or one with a root or pi in it. */
function isWorkedOut(value: AlgebraNode): boolean {
  if (value.kind === "negative") return isWorkedOut(value.of);
  if (holdsRoot(value)) return true;
  if (value.kind === "number") return true;
  if (value.kind !== "quotient") return false;
  const [top, bottom] = [plainNumber(value.left), plainNumber(value.right)];
  return top !== null && bottom !== null && !bottom.equals(0) && top.div(bottom).d !== 1n;
}

const plainNumber = (node: AlgebraNode) => {
  const bare = node.kind === "negative" ? node.of : node;
  return bare.kind === "number" ? bare.value : null;
};

function holdsRoot(node: AlgebraNode): boolean {
  if (node.kind === "root" || node.kind === "pi") return true;
  if ("of" in node) return holdsRoot(node.of);
  return "left" in node && (holdsRoot(node.left) || holdsRoot(node.right));
}

/** No bracket to multiply out, no two terms alike, no two numbers multiplied. */
function isCollected(node: AlgebraNode): boolean {
  const terms = termsOf(node);
  const letters = terms.map(lettersOf);
  return terms.every(isSingle) && new Set(letters).size === letters.length;
}

function termsOf(node: AlgebraNode): AlgebraNode[] {
  if (node.kind === "sum" || node.kind === "difference") return [...termsOf(node.left), ...termsOf(node.right)];
  return node.kind === "negative" ? termsOf(node.of) : [node];
}

/** A product of at most one number and letters, over a number or letters. */
function isSingle(term: AlgebraNode): boolean {
  const { numbers, others } = factorsOf(term);
  const isDivided = term.kind === "quotient" && (plainNumber(term.right) !== null || isSingle(term.right));
  if (isDivided && term.kind === "quotient") return isSingle(term.left);
  return numbers <= 1 && others.every((factor) => !holdsSum(factor));
}

function factorsOf(node: AlgebraNode): { numbers: number; others: AlgebraNode[] } {
  if (node.kind === "number") return { numbers: 1, others: [] };
  if (node.kind === "negative") return factorsOf(node.of);
  if (node.kind !== "product") return { numbers: 0, others: [node] };
  const [left, right] = [factorsOf(node.left), factorsOf(node.right)];
  return { numbers: left.numbers + right.numbers, others: [...left.others, ...right.others] };
}

function holdsSum(node: AlgebraNode): boolean {
  if (node.kind === "sum" || node.kind === "difference") return true;
  if ("of" in node) return holdsSum(node.of);
  return "left" in node && (holdsSum(node.left) || holdsSum(node.right));
}

/** A term without its number, as one text for all orders of its letters. */
function lettersOf(term: AlgebraNode): string {
  if (term.kind === "quotient")
    return plainNumber(term.right) ? lettersOf(term.left) : `${lettersOf(term.left)}/${writeNode(term.right)}`;
  return factorsOf(term).others.map(writeNode).sort().join("");
}
