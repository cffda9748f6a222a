import { type Rational, rational } from "../../numeric/rational";
import type { AlgebraLine, Relation } from "./node";
import { type Polynomial, polynomial } from "./polynomial";
import { type RationalFunction, rationalFunction } from "./rationalFunction";
import { type RootInterval, realRoots, rootsBetween, sturmChain, withoutRepeats } from "./realRoots";

/** A relation in one unknown as "fraction of polynomials, compared with 0". */
export interface ComparedWithZero extends RationalFunction {
  readonly relation: Relation;
}

/**
 * Left less right of an equation or inequality, compared with 0; null when it is no fraction of polynomials.
 * @example comparedWithZero(readAlgebra("x = 3"), "x") !== null // true
 */
export function comparedWithZero(line: AlgebraLine, unknown: string): ComparedWithZero | null {
  if (!line.relation || !line.right) return null;
  const made = rationalFunction({ kind: "difference", left: line.left, right: line.right }, unknown);
  return made && { ...made, relation: line.relation };
}

/** A statement in one unknown: one of the alternatives holds, that is all of its relations. */
export type OneOfAll = readonly (readonly ComparedWithZero[])[];

/**
 * True when two relations in the same unknown, or statements made of several, hold for the same real numbers. Exact: the roots of all
 * tops and bottoms part the line into points and stretches, on each of which both are either true or false. Null when tops and
 * bottoms together have a degree over 10, which is more than two lines of school work.
 * @example sameSolutions(comparedWithZero(readAlgebra("x = 3"), "x"), comparedWithZero(readAlgebra("2x = 6"), "x")) // true
 */
export function sameSolutions(one: ComparedWithZero | OneOfAll, other: ComparedWithZero | OneOfAll): boolean | null {
  const [first, second] = ["top" in one ? [[one]] : one, "top" in other ? [[other]] : other];
  const [only, otherOnly] = [onlyRelation(first), onlyRelation(second)];
  if (only && otherOnly && proportional(only, otherOnly)) return true;
  if (PROBES.some((x) => isTrueAt(first, x) !== isTrueAt(second, x))) return false;
  const parts = [...first, ...second]
    .flat()
    .flatMap(({ top, bottom }) => [top, bottom])
    .filter((part) => part.length > 1);
  if (parts.reduce((sum, part) => sum + polynomial.degree(part), 0) > HIGHEST_DEGREE) return null;
  const all = parts.reduce(
    (product, part) => {
      const fresh = polynomial.divide(withoutRepeats(part), polynomial.common(withoutRepeats(part), product)).quotient;
      return polynomial.multiply(product, fresh);
    },
    polynomial.constant(rational(1)),
  );
  const roots = setApart(realRoots(all), all);
  const atRoot = (of: OneOfAll, root: RootInterval) =>
    of.some((alternative) => alternative.every((compared) => holdsAtRoot(compared, root, all)));
  if (roots.some((root) => atRoot(first, root) !== atRoot(second, root))) return false;
  return betweenRoots(roots).every((x) => isTrueAt(first, x) === isTrueAt(second, x));
}

const onlyRelation = (of: OneOfAll): ComparedWithZero | null =>
  of.length === 1 && of[0]?.length === 1 ? (of[0][0] ?? null) : null;

const HIGHEST_DEGREE = 10;
/** Places at which most different relations are told apart at once. */
const PROBES: readonly Rational[] = [-40, -5, -1, 0, 1, 5, 40].map((place) => rational(place * 2 + 1, 2));

const isTrueAt = (of: OneOfAll, x: Rational): boolean =>
  of.some((alternative) => alternative.every((compared) => holdsAt(compared, x)));

/** One top is a constant above 0 times the other (any constant but 0 for an equation), the bottoms being numbers. */
function proportional(one: ComparedWithZero, other: ComparedWithZero): boolean {
  if (one.relation !== other.relation || one.bottom.length !== 1 || other.bottom.length !== 1) return false;
  const [first, second] = [one.top.at(-1), other.top.at(-1)];
  if (!first || !second || one.top.length !== other.top.length) return false;
  const factor = second.div(first);
  const turned = factor.mul(one.bottom[0] ?? 1).mul(other.bottom[0] ?? 1).s < 0n;
  return (
    (one.relation === "=" || !turned) && polynomial.subtract(polynomial.scale(one.top, factor), other.top).length === 0
  );
}

/**
 * Intervals halved until each lies strictly apart from both neighbours, so that its ends are no roots and a number lies between every
 * two roots.
 */
function setApart(roots: readonly RootInterval[], all: Polynomial): RootInterval[] {
  const chain = sturmChain(all);
  const apart: RootInterval[] = [];
  for (const [place, { low, high }] of roots.entries()) {
    const [before, next] = [apart.at(-1), roots[place + 1]];
    let [from, to] = [low, high];
    const touches = () =>
      (before && from.compare(before.high) <= 0) || (next && to.compare(next.low) >= 0 && from.compare(to) !== 0);
    while (from.compare(to) !== 0 && touches()) {
      const middle = from.add(to).div(2);
      if (polynomial.value(all, middle).equals(0)) [from, to] = [middle, middle];
      else if (rootsBetween(chain, from, middle) === 1) to = middle;
      else from = middle;
    }
    apart.push({ low: from, high: to });
  }
  return apart;
}

/** One number in each stretch: below all roots, between neighbours, above all. */
function betweenRoots(roots: readonly RootInterval[]): Rational[] {
  const [first, last] = [roots[0], roots.at(-1)];
  if (!first || !last) return [rational(0)];
  const inner = roots.slice(1).map(({ low }, place) => (roots[place] as RootInterval).high.add(low).div(2));
  return [first.low.sub(1), ...inner, last.high.add(1)];
}

function holdsAt({ top, bottom, relation }: ComparedWithZero, x: Rational): boolean {
  const under = polynomial.value(bottom, x);
  return !under.equals(0) && compares(Math.sign(polynomial.value(top, x).div(under).valueOf()), relation);
}

/** At a root of the product: false where the bottom is 0, by the relation where the top is, else as right beside it. */
function holdsAtRoot(one: ComparedWithZero, root: RootInterval, all: Polynomial): boolean {
  if (root.low.compare(root.high) === 0) return holdsAt(one, root.low);
  const zeroHere = (part: Polynomial) => {
    const shared = polynomial.common(part, all);
    return part.length === 0 || (shared.length > 1 && rootsBetween(sturmChain(shared), root.low, root.high) > 0);
  };
  if (one.bottom.length > 1 && zeroHere(one.bottom)) return false;
  return zeroHere(one.top) ? compares(0, one.relation) : holdsAt(one, root.low);
}

function compares(sign: number, relation: Relation): boolean {
  switch (relation) {
    case "=":
      return sign === 0;
    case "<":
      return sign < 0;
    case "<=":
      return sign <= 0;
    case ">":
      return sign > 0;
    case ">=":
      return sign >= 0;
  }
}
