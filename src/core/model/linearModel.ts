/** A mixed-integer linear model as data; the solver lives outside the core and is passed in. All variables are 0 or 1. */
export interface LinearModel {
  readonly maximise: readonly LinearTerm[];
  readonly constraints: readonly LinearConstraint[];
  readonly binaries: readonly string[];
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
  readonly status: "optimal" | "time-limit" | "infeasible";
  /** Names of the variables that are 1. */
  readonly chosen: ReadonlySet<string>;
}
/** Port to a mixed-integer solver. */
export type SolveLinearModel = (model: LinearModel, limitSeconds: number) => Promise<LinearSolution>;
