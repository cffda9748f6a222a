/**
 * A mixed-integer linear model as data; the solver lives outside the core and is passed in. Variables are 0 or 1 unless they
 * are listed among the continuous ones, with bounds.
 */
export interface LinearModel {
  readonly maximise: readonly LinearTerm[];
  readonly constraints: readonly LinearConstraint[];
  readonly binaries: readonly string[];
  readonly continuous?: readonly { readonly variable: string; readonly low: number; readonly high: number }[];
  /** An answer this close to the best (share of its value) counts as best; 0 unless stated. */
  readonly relativeGap?: number;
}
export interface LinearTerm {
  readonly variable: string;
  readonly factor: number;
}
export interface LinearConstraint {
  readonly terms: readonly LinearTerm[];
  readonly relation: "<=" | ">=" | "=";
  readonly bound: number;
}
export interface LinearSolution {
  /** "time-limit": the best found so far, possibly nothing. */
  readonly status: "optimal" | "time-limit" | "infeasible";
  /** Names of the binary variables that are 1; empty without an answer. */
  readonly chosen: ReadonlySet<string>;
  /** Values of the continuous variables. */
  readonly values: ReadonlyMap<string, number>;
}
/** Port to a mixed-integer solver. */
export type SolveLinearModel = (model: LinearModel, limitSeconds: number) => Promise<LinearSolution>;
