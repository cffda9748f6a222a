import "server-only";
import type { LinearModel, LinearSolution, LinearTerm, SolveLinearModel } from "@/core/model/linearModel";
import { workerPool } from "./workerPool";

interface Solved {
  readonly status: string;
  readonly columns: readonly (readonly [string, number])[];
}

/** One thread: a hard model holds up other models, and nothing else. It ends when nobody has asked for a while. */
const pool = workerPool("solverWorker.mjs", 1);

/** Solves a mixed-integer linear model with HiGHS (WebAssembly) in a worker, handed over in the LP text format. */
export const solveWithHighs: SolveLinearModel = async (model, limitSeconds) => {
  const options = { time_limit: limitSeconds, mip_rel_gap: model.relativeGap ?? 0 };
  const { status, columns } = (await pool().run({ text: lpText(model), options })) as Solved;
  const continuous = new Set((model.continuous ?? []).map(({ variable }) => variable));
  return {
    status: statusOf(status),
    chosen: new Set(columns.flatMap(([name, value]) => (!continuous.has(name) && value > 0.5 ? [name] : []))),
    values: new Map(columns.filter(([name]) => continuous.has(name))),
  };
};

function statusOf(status: string): LinearSolution["status"] {
  if (status === "Optimal") return "optimal";
  return status === "Infeasible" ? "infeasible" : "time-limit";
}

function lpText(model: LinearModel): string {
  const lines = ["Maximize", ` obj: ${sum(model.maximise)}`, "Subject To"];
  model.constraints.forEach(({ terms, relation, bound }, place) => {
    lines.push(` c${place}: ${sum(terms)} ${relation} ${bound}`);
  });
  const bounds = (model.continuous ?? []).map(({ variable, low, high }) => ` ${low} <= ${variable} <= ${high}`);
  lines.push("Bounds", ...bounds, "Binary", ...model.binaries.map((name) => ` ${name}`), "End");
  return lines.join("\n");
}

/** Terms as text, broken into lines: the format's reader stops at very long ones. */
function sum(terms: readonly LinearTerm[]): string {
  return terms.map(({ factor, variable }) => `${factor < 0 ? "-" : "+"} ${Math.abs(factor)} ${variable}`).join("\n  ");
}
