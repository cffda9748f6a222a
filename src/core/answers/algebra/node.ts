import type { Rational } from "../../numeric/rational";

/** An expression as the student wrote it: exact numbers, one-letter unknowns, pi, and the operations of school algebra. */
export type AlgebraNode =
  | { readonly kind: "number"; readonly value: Rational }
  | { readonly kind: "unknown"; readonly name: string }
  | { readonly kind: "pi" }
  | {
      readonly kind: "sum" | "difference" | "product" | "quotient" | "power";
      readonly left: AlgebraNode;
      readonly right: AlgebraNode;
    }
  | { readonly kind: "negative" | "root" | "absolute"; readonly of: AlgebraNode };

export type Relation = "=" | "<" | "<=" | ">" | ">=";

/** One line of work: an expression (no relation, no right side), an equation or an inequality. */
export interface AlgebraLine {
  readonly relation: Relation | null;
  readonly left: AlgebraNode;
  readonly right: AlgebraNode | null;
}

/** What a whole answer says: one of the alternatives, all lines of which hold ("x < -2 or x > 2", "1 < x < 5"). */
export type AlgebraStatement = readonly (readonly AlgebraLine[])[];

export type UnreadableAlgebra = "empty" | "too-long" | "not-readable" | "two-relations" | "too-hard";
