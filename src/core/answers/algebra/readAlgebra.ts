import { create, fractionDependencies, type MathNode, parseDependencies } from "mathjs";
import { isRational, type Rational } from "../../numeric/rational";
import type { AlgebraLine, AlgebraNode, Relation, UnreadableAlgebra } from "./node";
import { tidyAlgebra } from "./tidyAlgebra";

const { parse } = create({ ...parseDependencies, ...fractionDependencies }, { number: "Fraction" });

/** More operations than a line of school work has, or deeper brackets, are refused before they are worked on. */
const MOST_NODES = 250;
const DEEPEST = 60;

/**
 * Reads a line of algebra as a student types it: exact numbers, one-letter unknowns, + - * / ^, brackets, sqrt and abs, and
 * at most one of = < <= > >=. Nothing in it is ever run: the parser (`mathjs`) gives a tree, of which only the nodes named
 * here are taken over. Says why a text cannot be read; never throws.
 * @example readAlgebra("2x = ").unreadable // "not-readable"
 */
export function readAlgebra(text: string): AlgebraLine | { readonly unreadable: UnreadableAlgebra } {
  const tidy = tidyAlgebra(text);
  if (tidy === "too-long") return { unreadable: "too-long" };
  if (tidy === null) return { unreadable: "not-readable" };
  if (tidy === "") return { unreadable: "empty" };
  const [left = "", ...others] = tidy.split(/<=|>=|=|<|>/);
  const relations = tidy.match(/<=|>=|=|<|>/g) ?? [];
  if (relations.length > 1) return { unreadable: "two-relations" };
  const sides = [left, ...others].map(readSide);
  const problem = sides.find((side) => typeof side === "string");
  if (typeof problem === "string") return { unreadable: problem };
  const [first, second = null] = sides as AlgebraNode[];
  return { relation: (relations[0] as Relation | undefined) ?? null, left: first as AlgebraNode, right: second };
}

function readSide(text: string): AlgebraNode | UnreadableAlgebra {
  if (text.trim() === "") return "not-readable";
  try {
    const budget = { left: MOST_NODES };
    return take(parse(text), budget, 0);
  } catch (problem) {
    return problem instanceof TooHard ? "too-hard" : "not-readable";
  }
}

class TooHard extends Error {}
class NotAllowed extends Error {}

/** The parts of a parsed node that are looked at. */
interface Parsed {
  readonly type: string;
  readonly value?: unknown;
  readonly name?: string;
  readonly content?: MathNode;
  readonly op?: string;
  readonly fn?: { readonly name?: string };
  readonly args?: readonly MathNode[];
}

const OPERATIONS = { "+": "sum", "-": "difference", "*": "product", "/": "quotient", "^": "power" } as const;

function take(node: MathNode, budget: { left: number }, depth: number): AlgebraNode {
  if (--budget.left < 0 || depth > DEEPEST) throw new TooHard();
  const parsed = node as unknown as Parsed;
  const into = (inner: MathNode | undefined) => {
    if (!inner) throw new NotAllowed();
    return take(inner, budget, depth + 1);
  };
  switch (parsed.type) {
    case "ConstantNode":
      return { kind: "number", value: exact(parsed.value) };
    case "SymbolNode":
      if (!/^[a-z]$/i.test(parsed.name ?? "")) throw new NotAllowed();
      return { kind: "unknown", name: parsed.name ?? "" };
    case "ParenthesisNode":
      return into(parsed.content);
    case "FunctionNode": {
      const kind = parsed.fn?.name === "sqrt" ? "root" : parsed.fn?.name === "abs" ? "absolute" : null;
      if (!kind || parsed.args?.length !== 1) throw new NotAllowed();
      return { kind, of: into(parsed.args[0]) };
    }
    case "OperatorNode": {
      const [first, second] = parsed.args ?? [];
      if (parsed.args?.length === 1 && parsed.op === "-") return { kind: "negative", of: into(first) };
      if (parsed.args?.length === 1 && parsed.op === "+") return into(first);
      const kind = OPERATIONS[parsed.op as keyof typeof OPERATIONS];
      if (!kind || parsed.args?.length !== 2) throw new NotAllowed();
      return { kind, left: into(first), right: into(second) };
    }
    default:
      throw new NotAllowed();
  }
}

function exact(value: unknown): Rational {
  if (!isRational(value)) throw new NotAllowed();
  return value;
}
