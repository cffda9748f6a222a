import { all, create, type MathJsInstance } from "mathjs";
import { CoreError } from "../model/fail";
import { isRational, type Rational } from "../numeric/rational";

/** What an expression of an item model may yield. */
export type ExpressionValue = Rational | boolean;
export type ExpressionScope = Readonly<Record<string, Rational>>;
export type CompiledExpression = (scope: ExpressionScope) => ExpressionValue;

const engine = exactEngine();
const compiled = new Map<string, CompiledExpression>();

/** Functions that item models may call; anything else in an expression is refused before it is run. */
const ALLOWED_CALLS = new Set(["gcd", "lcm", "abs", "floor", "ceil", "round", "min", "max", "mod"]);
const ALLOWED_NODES = new Set([
  "OperatorNode",
  "ConstantNode",
  "SymbolNode",
  "ParenthesisNode",
  "FunctionNode",
  "ConditionalNode",
  "RelationalNode",
]);

/**
 * Compiles an arithmetic expression (mathjs syntax, exact rationals) for repeated use; the same text gives the same
 * function. Only numbers, names, operators, comparisons, `cond ? x : y` and the calls in `ALLOWED_CALLS` are accepted.
 * Throws "bad-expression" naming the expression when it cannot be read, and when its value is not an exact number or
 * truth value. Example: `compileExpression("a * k")({ a: rational(2), k: rational(3) })` is 6.
 * @example compileExpression("a * b")({ a: rational(2), b: rational(3) }).toFraction() // "6"
 */
export function compileExpression(source: string): CompiledExpression {
  const known = compiled.get(source);
  if (known) return known;
  const run = compileChecked(source);
  const evaluate: CompiledExpression = (scope) => {
    const value = runWith(source, run, scope);
    if (typeof value === "boolean" || isRational(value)) return value;
    throw new CoreError("bad-expression", "An expression must give an exact number or true/false.", { source, value });
  };
  compiled.set(source, evaluate);
  return evaluate;
}

function compileChecked(source: string) {
  try {
    const tree = engine.parse(source);
    tree.traverse((node) => {
      const called = node.type === "FunctionNode" ? (node as unknown as { fn: { name?: string } }).fn.name : null;
      if (!ALLOWED_NODES.has(node.type) || (called !== null && !ALLOWED_CALLS.has(called ?? ""))) {
        throw new CoreError("bad-expression", `Not allowed in an expression: ${node.toString()}.`, { source });
      }
    });
    return tree.compile();
  } catch (cause) {
    if (cause instanceof CoreError) throw cause;
    throw new CoreError("bad-expression", `Cannot read the expression "${source}".`, { source }, { cause });
  }
}

function runWith(source: string, run: { evaluate: (scope: Map<string, unknown>) => unknown }, scope: ExpressionScope) {
  try {
    return run.evaluate(new Map(Object.entries(scope)));
  } catch (cause) {
    throw new CoreError(
      "bad-expression",
      `Cannot work out "${source}".`,
      { source, names: Object.keys(scope) },
      { cause },
    );
  }
}

function exactEngine(): MathJsInstance {
  return create(all ?? {}, { number: "Fraction" });
}
