import { CoreError, demandThat } from "../model/fail";

/**
 * Inverse of a symmetric positive definite matrix given by rows, through its Cholesky factor (Golub & Van Loan 2013,
 * algorithm 4.2.1); null when the matrix is not positive definite.
 * @throws CoreError "bad-argument", where this does not hold: The matrix must be square.
 * @example inverseOfPositive([[4, 0], [0, 16]]) // [[0.25, 0], [0, 0.0625]]
 */
export function inverseOfPositive(matrix: readonly (readonly number[])[]): number[][] | null {
  const n = matrix.length;
  demandThat(
    matrix.every((row) => row.length === n),
    "The matrix must be square.",
  );
  const factor = cholesky(matrix);
  if (!factor) return null;
  const inverse: number[][] = Array.from({ length: n }, () => new Array<number>(n).fill(0));
  for (let column = 0; column < n; column++) {
    const solution = solveWithFactor(
      factor,
      Array.from({ length: n }, (_, row) => (row === column ? 1 : 0)),
    );
    solution.forEach((value, row) => {
      (inverse[row] as number[])[column] = value;
    });
  }
  return inverse;
}

function cholesky(matrix: readonly (readonly number[])[]): number[][] | null {
  const n = matrix.length;
  const lower: number[][] = Array.from({ length: n }, () => new Array<number>(n).fill(0));
  for (let row = 0; row < n; row++) {
    for (let column = 0; column <= row; column++) {
      let sum = at(matrix, row, column);
      for (let k = 0; k < column; k++) sum -= at(lower, row, k) * at(lower, column, k);
      if (row === column) {
        if (!(sum > 0)) return null;
        (lower[row] as number[])[column] = Math.sqrt(sum);
      } else (lower[row] as number[])[column] = sum / at(lower, column, column);
    }
  }
  return lower;
}

function solveWithFactor(lower: readonly (readonly number[])[], right: readonly number[]): number[] {
  const n = lower.length;
  const forward = new Array<number>(n).fill(0);
  for (let row = 0; row < n; row++) {
    let sum = right[row] ?? 0;
    for (let k = 0; k < row; k++) sum -= at(lower, row, k) * (forward[k] ?? 0);
    forward[row] = sum / at(lower, row, row);
  }
  const solution = new Array<number>(n).fill(0);
  for (let row = n - 1; row >= 0; row--) {
    let sum = forward[row] ?? 0;
    for (let k = row + 1; k < n; k++) sum -= at(lower, k, row) * (solution[k] ?? 0);
    solution[row] = sum / at(lower, row, row);
  }
  return solution;
}

function at(matrix: readonly (readonly number[])[], row: number, column: number): number {
  const value = matrix[row]?.[column];
  if (value === undefined) throw new CoreError("bad-argument", "The matrix lacks an entry.", { row, column });
  return value;
}
