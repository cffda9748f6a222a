import { comparedStatement } from "./comparedStatement";
import { equivalentLines } from "./equivalentLines";
import { loneUnknown } from "./loneUnknown";
import type { AlgebraLine, AlgebraNode, AlgebraStatement } from "./node";
import { polynomial } from "./polynomial";
import { realRoots } from "./realRoots";
import { realValue } from "./realValue";
import { comparedWithZero, sameSolutions } from "./sameSolutions";
import { sameValue } from "./sameValue";
import { unknownsOf } from "./unknownsOf";

/** A value solves an equation when its sides differ by no more than this, as floating point leaves them. */
const SOLVED = 1e-9;

/**
 * Whether two answers say the same: lines as in `equivalentLines`; several, the same real solutions of their one unknown, the same set of
 * values, or equations that answer each other one by one. Null where it cannot be decided.
 * @example sameStatement(readStatement("x = 2 or x = -2").usual, readStatement("x^2 = 4").usual) // true
 */
export function sameStatement(one: AlgebraStatement, other: AlgebraStatement): boolean | null {
  const [first, second] = [onlyLine(one), onlyLine(other)];
  const same = first && second ? equivalentLines(first, second) : null;
  if (same !== null) return same;
  if (one.flat().some(isExpression) || other.flat().some(isExpression)) return sameValues(one, other);
  const names = [...new Set([...one, ...other].flat().flatMap(unknownsOfLine))];
  if (names.length > 1) return sameLines(one, other);
  const unknown = names[0] ?? "x";
  const [compared, otherCompared] = [comparedStatement(one, unknown), comparedStatement(other, unknown)];
  if (compared && otherCompared) return sameSolutions(compared, otherCompared);
  return rootsListed(one, other, unknown) ?? rootsListed(other, one, unknown) ?? sameValues(one, other);
}

const isExpression = (line: AlgebraLine): boolean => line.right === null;

const onlyLine = (of: AlgebraStatement): AlgebraLine | null =>
  of.length === 1 && of[0]?.length === 1 ? (of[0][0] ?? null) : null;

const unknownsOfLine = ({ left, right }: AlgebraLine): string[] => [
  ...unknownsOf(left),
  ...(right ? unknownsOf(right) : []),
];

/** The values that a list gives ("2, -2", "x = √2 or x = -√2"); null where it is no list of values. */
function valuesOf(of: AlgebraStatement): AlgebraNode[] | null {
  const values = of.map((lines) => {
    const [line, ...more] = lines;
    if (!line || more.length > 0) return null;
    if (!line.right) return line.left;
    return line.relation === "=" ? (loneUnknown(line)?.value ?? null) : null;
  });
  return values.every((value) => value !== null) ? values : null;
}

function sameValues(one: AlgebraStatement, other: AlgebraStatement): boolean | null {
  const [values, otherValues] = [valuesOf(one), valuesOf(other)];
  if (!values || !otherValues) return null;
  const isIn = (value: AlgebraNode, list: readonly AlgebraNode[]) =>
    list.some((wanted) => sameValue(value, wanted) === true);
  return values.every((value) => isIn(value, otherValues)) && otherValues.every((value) => isIn(value, values));
}

/** A list of values against an equation that can be solved exactly: each solves it, and it has no more real roots than that. */
function rootsListed(list: AlgebraStatement, equation: AlgebraStatement, unknown: string): boolean | null {
  const values = valuesOf(list);
  const line = onlyLine(equation);
  const compared = line?.relation === "=" ? comparedWithZero(line, unknown) : null;
  if (!values || !line?.right || compared?.bottom.length !== 1 || polynomial.degree(compared.top) < 1) return null;
  const solves = (value: AlgebraNode) => {
    const place = new Map([[unknown, realValue(value, new Map())]]);
    const [left, right] = [realValue(line.left, place), realValue(line.right as AlgebraNode, place)];
    return Math.abs(left - right) <= SOLVED * Math.max(1, Math.abs(left), Math.abs(right));
  };
  const different = values.filter(
    (value, at) => !values.slice(0, at).some((known) => sameValue(value, known) === true),
  );
  return different.every(solves) && different.length === realRoots(compared.top).length;
}

/** Several equations at once ("x = 2 and y = 3"): each has its like among the others. */
function sameLines(one: AlgebraStatement, other: AlgebraStatement): boolean | null {
  const [lines, otherLines] = [one[0], other[0]];
  if (one.length !== 1 || other.length !== 1 || !lines || !otherLines) return null;
  const hasLike = (line: AlgebraLine, among: readonly AlgebraLine[]) =>
    among.some((wanted) => equivalentLines(line, wanted) === true);
  const isSame = lines.every((line) => hasLike(line, otherLines)) && otherLines.every((line) => hasLike(line, lines));
  if (isSame) return true;
  const areSolved = [...lines, ...otherLines].every((line) => {
    const lone = loneUnknown(line);
    return lone !== null && unknownsOf(lone.value).length === 0;
  });
  return areSolved ? false : null;
}
