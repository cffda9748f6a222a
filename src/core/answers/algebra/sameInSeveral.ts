import { rational } from "../../numeric/rational";
import { seededRandom } from "../../numeric/seededRandom";
import { divideModulo, type ModularFraction, modularFraction, wrap } from "./modularValue";
import type { AlgebraLine, AlgebraNode } from "./node";
import { realValue } from "./realValue";
import { drawnPlace, sameValue } from "./sameValue";
import { unknownsOf } from "./unknownsOf";

/** Lines of real places that are searched for a solution of one that does not solve the other. */
const LINES = 6;
const SCANNED = 48;
const FURTHEST = 24;
const HALVINGS = 50;

/** Places found that solve both, from which on relations with roots are taken to be the same. */
const ENOUGH = 6;
/** A side is off by more than this share of its size: no solution, whatever was rounded. */
const CLEARLY_OFF = 1e-6;
const NEARLY_SOLVED = 1e-9;

const zero: AlgebraNode = { kind: "number", value: rational(0) };

/**
 * Whether two relations in any number of unknowns have the same solutions wherever both can be worked out ("d = rt", "t = d/r"). False
 * once a place is found that solves one and not the other; true when their differences are multiples of each other, or equations give
 * the same value of an unknown in which both are linear. Null where none of this decides.
 * @example sameInSeveral(readAlgebra("d = rt"), readAlgebra("t = d/r")) // true
 */
export function sameInSeveral(one: AlgebraLine, other: AlgebraLine): boolean | null {
  const [first, second] = [differenceOf(one), differenceOf(other)];
  const [isZero, isOtherZero] = [sameValue(first, zero), sameValue(second, zero)];
  if (isZero === true || isOtherZero === true) return isZero === isOtherZero && isStrict(one) === isStrict(other);
  const names = [...new Set([...unknownsOf(first), ...unknownsOf(second)])].sort();
  if (one.relation === "=" && other.relation === "=") {
    if (isMultiple(first, second) === true) return true;
    const holdsRoots = [first, second].some((node) => modularFraction(node, new Map()) === undefined);
    const tries = [searched(first, second, names, holdsRoots), searched(second, first, names, holdsRoots)];
    if (tries.some(({ isRefuted }) => isRefuted)) return false;
    if (names.some((name) => haveSameRoot(first, second, name, names))) return true;
    return holdsRoots && names.length > 1 && tries.every(({ solved }) => solved >= ENOUGH) ? true : null;
  }
  if (one.relation === "=" || other.relation === "=") return false;
  return sameHalves(one, other, names);
}

const isStrict = ({ relation }: AlgebraLine): boolean => relation === "<" || relation === ">";
const isMore = ({ relation }: AlgebraLine): boolean => relation === ">" || relation === ">=";

const differenceOf = ({ left, right }: AlgebraLine): AlgebraNode =>
  right ? { kind: "difference", left, right } : left;

/** One expression is a constant times the other: their quotient has the same value with all unknowns renamed. */
function isMultiple(one: AlgebraNode, other: AlgebraNode): boolean | null {
  return sameValue(
    { kind: "product", left: one, right: renamed(other) },
    { kind: "product", left: renamed(one), right: other },
  );
}

/** The same expression at another place: every unknown by another letter. */
function renamed(node: AlgebraNode): AlgebraNode {
  if (node.kind === "unknown") return { kind: "unknown", name: `${node.name}'` };
  if ("of" in node) return { ...node, of: renamed(node.of) };
  return "left" in node ? { ...node, left: renamed(node.left), right: renamed(node.right) } : node;
}

/**
 * Looks for places that solve the first: how many of them solve the second too, and whether one clearly does not. With roots in it a
 * formula is about lengths and the like, and only what is above 0 counts: "c = √(a² + b²)" answers "a² + b² = c²".
 */
function searched(
  first: AlgebraNode,
  second: AlgebraNode,
  names: readonly string[],
  isPositive: boolean,
): { readonly isRefuted: boolean; readonly solved: number } {
  const random = seededRandom("solution");
  let solved = 0;
  for (let line = 0; line < LINES; line++) {
    const place = new Map(names.map((name) => [name, Math.round((random() - (isPositive ? 0 : 0.4)) * 1000) / 100]));
    for (const name of names) {
      const drawn = place.get(name) ?? 0;
      const off = (node: AlgebraNode, x: number) => realValue(node, place.set(name, x));
      const isFalse = (x: number) => Math.abs(off(second, x)) > CLEARLY_OFF * (1 + Math.abs(x));
      const roots = rootsAlong((x) => off(first, x)).filter((x) => !isPositive || x > 0);
      if (roots.some(isFalse)) return { isRefuted: true, solved };
      solved += roots.length;
      place.set(name, drawn);
    }
  }
  return { isRefuted: false, solved };
}

/** Places of a function on the real line where it changes its sign and is nearly zero. */
function rootsAlong(value: (x: number) => number): number[] {
  const found: number[] = [];
  // An odd step, so that whole numbers and halves are not the ends of the stretches.
  const at = (step: number) => ((step + 0.437) / SCANNED) * 2 * FURTHEST - FURTHEST;
  for (let step = 0; step < SCANNED; step++) {
    let [low, high] = [at(step), at(step + 1)];
    const sign = Math.sign(value(low));
    if (!(sign * Math.sign(value(high)) < 0)) continue;
    for (let halving = 0; halving < HALVINGS; halving++) {
      const middle = (low + high) / 2;
      if (Math.sign(value(middle)) === sign) low = middle;
      else high = middle;
    }
    if (Math.abs(value(low)) < NEARLY_SOLVED * (1 + Math.abs(low))) found.push(low);
  }
  return found;
}

/** Both tops are linear in the unknown and vanish for the same value of it, at drawn places of the others. */
function haveSameRoot(one: AlgebraNode, other: AlgebraNode, name: string, names: readonly string[]): boolean {
  const random = seededRandom("same-root");
  for (let n = 0; n < 3; n++) {
    const place = new Map(names.map((own) => [own, drawnPlace(random)]));
    const [first, second] = [rootOfTop(one, name, place), rootOfTop(other, name, place)];
    if (first === null || first !== second) return false;
  }
  return true;
}

function rootOfTop(node: AlgebraNode, name: string, place: ReadonlyMap<string, bigint>): bigint | null {
  const at = (x: bigint): ModularFraction | undefined => modularFraction(node, new Map(place).set(name, x));
  const [none, once, twice] = [at(0n), at(1n), at(2n)];
  if (!none || !once || !twice) return null;
  const slope = wrap(once.top - none.top);
  if (slope === 0n || wrap(twice.top - once.top) !== slope) return null;
  const root = divideModulo(wrap(-none.top), slope);
  return at(root)?.bottom === 0n ? null : root;
}

/** Inequalities: told apart at drawn places, the same when one difference is a multiple of the other with the fitting sign. */
function sameHalves(one: AlgebraLine, other: AlgebraLine, names: readonly string[]): boolean | null {
  const [first, second] = [differenceOf(one), differenceOf(other)];
  const random = seededRandom("halves");
  let [agree, differ] = [0, 0];
  for (let n = 0; n < LINES * SCANNED; n++) {
    const place = new Map(names.map((name) => [name, (random() - 0.5) * 2 * FURTHEST]));
    const [x, y] = [realValue(first, place), realValue(second, place)];
    if (!(Math.abs(x) > NEARLY_SOLVED && Math.abs(y) > NEARLY_SOLVED)) continue;
    if ((x > 0 === isMore(one)) === (y > 0 === isMore(other))) agree++;
    else differ++;
  }
  if (differ > 0) return false;
  if (agree === 0 || isMultiple(first, second) !== true) return null;
  return isStrict(one) === isStrict(other);
}
