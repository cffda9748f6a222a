import "server-only";
import type { LinearModel, LinearSolution, LinearTerm, SolveLinearModel } from "@/core/model/linearModel";

type Highs = Awaited<ReturnType<typeof import("highs").default>>;
let loading: Promise<Highs> | null = null;

/** Solves a 0/1 linear model with HiGHS (WebAssembly), handed over in the LP text format. */
export const solveWithHighs: SolveLinearModel = async (model, limitSeconds) => {
  loading ??= import("highs").then((highs) => highs.default());
  const highs = await loading;
  const answer = highs.solve(lpText(model), { time_limit: limitSeconds });
  const chosen = new Set<string>();
  for (const [name, column] of Object.entries(answer.Columns)) {
    if ("Primal" in column && typeof column.Primal === "number" && column.Primal > 0.5) chosen.add(name);
  }
  return { status: statusOf(answer.Status), chosen };
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
  lines.push("Binary", ...model.binaries.map((name) => ` ${name}`), "End");
  return lines.join("\n");
}

/** Terms as text, broken into lines: the format's reader stops at very long ones. */
function sum(terms: readonly LinearTerm[]): string {
  return terms.map(({ factor, variable }) => `${factor < 0 ? "-" : "+"} ${Math.abs(factor)} ${variable}`).join("\n  ");
}
