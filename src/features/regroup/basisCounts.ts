import type { Basis, NeedCell } from "./suggestTypes";

/** For how many it stands on each. */
export function basisCounts(cells: readonly NeedCell[]): Readonly<Record<Basis, number>> {
  const count = (basis: Basis) => cells.filter((cell) => cell.basis === basis).length;
  return {
    answers: count("answers"),
    old: count("old"),
    diagnostic: count("diagnostic"),
    score: count("score"),
    grade: count("grade"),
  };
}
