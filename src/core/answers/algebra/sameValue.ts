import { seededRandom } from "../../numeric/seededRandom";
import { modularValue } from "./modularValue";
import type { AlgebraNode } from "./node";
import { realValue } from "./realValue";
import { unknownsOf } from "./unknownsOf";

const PLACES = 4;
/** Places and relative tolerance where roots leave the rationals; plain numbers are told from a calculator's ten digits. */
const REAL_PLACES = 12;
const REAL_TOLERANCE = 1e-9;
const NUMBER_TOLERANCE = 1e-12;

/**
 * True when two expressions have the same value for every value of their unknowns, as fractions of polynomials: both are
 * worked out exactly modulo a large prime at drawn places (Schwartz 1980; Zippel 1979). Expressions with roots or absolute
 * values are compared at real places with a tolerance of 1e-9, plain numbers of 1e-12. Null when neither can be worked out anywhere.
 * @example sameValue(readAlgebra("2(x + 1)").left, readAlgebra("2x + 2").left) // true
 */
export function sameValue(one: AlgebraNode, other: AlgebraNode): boolean | null {
  const names = [...new Set([...unknownsOf(one), ...unknownsOf(other)])];
  // The same places every time: a judgement must not change between two looks.
  const random = seededRandom("same-value");
  let compared = 0;
  for (let n = 0; n < PLACES * 2 && compared < PLACES; n++) {
    const place = new Map(names.map((name) => [name, drawnPlace(random)]));
    const [first, second] = [modularValue(one, place), modularValue(other, place)];
    if (first === undefined || second === undefined) return sameRealValue(one, other, names);
    if (first === null && second === null) continue;
    if (first !== second) return false;
    compared++;
  }
  return compared > 0 ? true : null;
}

/**
 * A place for an unknown, for work modulo the prime.
 * @example drawnPlace(() => 0) // 7n
 */
export const drawnPlace = (random: () => number): bigint => BigInt(Math.floor(random() * 2 ** 52)) * 509n + 7n;

function sameRealValue(one: AlgebraNode, other: AlgebraNode, names: readonly string[]): boolean | null {
  const random = seededRandom("same-real-value");
  const tolerance = names.length === 0 ? NUMBER_TOLERANCE : REAL_TOLERANCE;
  let compared = 0;
  for (let n = 0; n < REAL_PLACES; n++) {
    const place = new Map(names.map((name) => [name, (random() - 0.3) * 8]));
    const [first, second] = [realValue(one, place), realValue(other, place)];
    if (Number.isNaN(first) && Number.isNaN(second)) continue;
    if (!(Math.abs(first - second) <= tolerance * Math.max(1, Math.abs(first), Math.abs(second)))) return false;
    compared++;
  }
  return compared > 0 ? true : null;
}
