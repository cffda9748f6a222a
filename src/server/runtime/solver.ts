import "server-only";
import { Worker } from "node:worker_threads";
import type { LinearModel, LinearSolution, LinearTerm, SolveLinearModel } from "@/core/model/linearModel";
import { workerFile } from "./workerFile";

interface Reply {
  readonly id: number;
  readonly status?: string;
  readonly columns?: readonly (readonly [string, number])[];
  readonly problem?: string;
}
interface Waiting {
  readonly done: (reply: Reply) => void;
  readonly failed: (problem: Error) => void;
}

const waiting = new Map<number, Waiting>();
let worker: Worker | null = null;
let count = 0;

/** Solves a mixed-integer linear model with HiGHS (WebAssembly) in a worker, handed over in the LP text format. */
export const solveWithHighs: SolveLinearModel = async (model, limitSeconds) => {
  const options = { time_limit: limitSeconds, mip_rel_gap: model.relativeGap ?? 0 };
  const { status = "", columns = [] } = await ask(lpText(model), options);
  const continuous = new Set((model.continuous ?? []).map(({ variable }) => variable));
  return {
    status: statusOf(status),
    chosen: new Set(columns.flatMap(([name, value]) => (!continuous.has(name) && value > 0.5 ? [name] : []))),
    values: new Map(columns.filter(([name]) => continuous.has(name))),
  };
};

function ask(text: string, options: Readonly<Record<string, number>>): Promise<Reply> {
  return new Promise((done, failed) => {
    const id = ++count;
    waiting.set(id, { done, failed });
    const running = startedWorker();
    running.ref();
    running.postMessage({ id, text, options });
  });
}

function startedWorker(): Worker {
  if (worker) return worker;
  const started = new Worker(workerFile("solverWorker.mjs"));
  started.on("message", (reply: Reply) => {
    const { done, failed } = waiting.get(reply.id) ?? {};
    waiting.delete(reply.id);
    // A script that has its answers must be able to end.
    if (waiting.size === 0) started.unref();
    if (reply.problem === undefined) done?.(reply);
    else failed?.(new Error(`The solver failed: ${reply.problem}`));
  });
  started.on("error", (problem) => stop(problem as Error));
  started.on("exit", () => stop(new Error("The solver stopped.")));
  worker = started;
  return started;
}

/** Everybody waiting is told, and the next question starts a new worker. */
function stop(problem: Error): void {
  worker = null;
  for (const { failed } of waiting.values()) failed(problem);
  waiting.clear();
}

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
