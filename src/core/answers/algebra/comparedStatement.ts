import type { AlgebraLine, AlgebraStatement } from "./node";
import { plainAlternatives } from "./plainAlternatives";
import { comparedWithZero, type OneOfAll } from "./sameSolutions";

/**
 * A statement in one unknown as alternatives of fractions of polynomials compared with 0, bars taken apart; null where a line is none.
 * @example comparedStatement([[readAlgebra("|x| = 3")]], "x")?.length // 2
 */
export function comparedStatement(of: AlgebraStatement, unknown: string): OneOfAll | null {
  const all = of
    .flatMap((lines) => everyChoice(lines.map(plainAlternatives)))
    .map((lines) => lines.map((line) => comparedWithZero(line, unknown)));
  return all.every((lines) => lines.every((line) => line !== null)) ? (all as OneOfAll) : null;
}

/** Lines that hold together, each with alternatives of its own, as alternatives of lines that hold together. */
function everyChoice(parts: readonly AlgebraLine[][][]): AlgebraLine[][] {
  return parts.reduce<AlgebraLine[][]>(
    (chosen, alternatives) => chosen.flatMap((lines) => alternatives.map((more) => [...lines, ...more])),
    [[]],
  );
}
