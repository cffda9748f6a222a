import { Bench } from "tinybench";
import { equivalent } from "@/core/answers/equivalent";
import { buildForms } from "@/core/assembly/buildForms";
import type { AssemblyItem } from "@/core/assembly/formProblem";
import { planGroups } from "@/core/grouping/planGroups";
import { calibrate } from "@/core/measurement/calibrate";
import { eap } from "@/core/measurement/eap";
import { probability } from "@/core/measurement/probability";
import type { Score } from "@/core/model/score";
import { median } from "@/core/numeric/median";
import { seededRandom } from "@/core/numeric/seededRandom";
import { answer } from "@/core/selection/diagnostic/answer";
import { next } from "@/core/selection/diagnostic/next";
import { start } from "@/core/selection/diagnostic/start";
import { solveWithHighs } from "@/server/runtime/solver";
import { normal } from "~/demo/learner";
import { BLUEPRINT, syntheticBank } from "./prove/bank";
import { randomClass } from "./prove/grouping";

/** A bare sum of so many exponentials: the baseline of what the estimates are made of. */
function exponentials(count: number): number {
  let sum = 0;
  for (let n = 0; n < count; n++) sum += Math.exp(-n / count);
  return sum;
}

async function medianOf(name: string, run: () => unknown): Promise<number> {
  const bench = new Bench({ time: 600, warmupTime: 200 });
  bench.add(name, run);
  await bench.run();
  const result = bench.tasks[0]?.result;
  if (!result || !("latency" in result)) throw new Error(`${name} gave no result.`);
  return result.latency.p50;
}

async function seconds(times: number, run: (n: number) => Promise<unknown>): Promise<{ median: number; most: number }> {
  const all: number[] = [];
  for (let n = 0; n < times; n++) {
    const started = performance.now();
    await run(n);
    all.push((performance.now() - started) / 1000);
  }
  return { median: median(all), most: Math.max(...all) };
}

function line(what: string, value: string, note: string): void {
  console.log(`  ${what.padEnd(46)} ${value.padStart(12)}   ${note}`);
}

const milliseconds = (value: number) => `${value.toFixed(3)} ms`;

async function benchEstimates(): Promise<void> {
  const items = syntheticBank(60);
  const random = seededRandom("bench eap");
  const scores = items.map((item): Score => (random() < probability(0.4, item) ? 1 : 0));
  const baseline = await medianOf("exponentials", () => exponentials(60 * 61));
  const own = await medianOf("eap", () => eap(items, scores, { mean: 0, sd: 1 }));
  line(
    "EAP of 60 items, median",
    milliseconds(own),
    `aim 0.3 ms; ${(own / baseline).toFixed(1)} times its 3,660 bare exponentials`,
  );
}

async function benchNextItem(): Promise<void> {
  const pool = syntheticBank(5000);
  const strands = [{ id: "strand", prior: { mean: 0, sd: 1 }, blueprint: BLUEPRINT }];
  const random = seededRandom("bench next");
  let state = start(strands, { stopSe: 0.01 });
  for (let n = 0; n < 10; n++) {
    const step = next(state, pool, random);
    state = answer(step.state, step.itemId ?? "", random() < 0.5);
  }
  const baseline = await medianOf("exponentials", () => exponentials(5000));
  const own = await medianOf("next", () => next(state, pool, random));
  line(
    "Next of 5,000 items, median",
    milliseconds(own),
    `aim 1 ms; ${(own / baseline).toFixed(1)} times 5,000 bare exponentials`,
  );
}

async function benchForms(): Promise<void> {
  const random = seededRandom("bench forms");
  const items = syntheticBank(2000).map(
    (item, n): AssemblyItem => ({
      ...item,
      standardId: `s${n % 8}`,
      depth: 1 + (n % 3),
      kind: n % 3 === 0 ? "choice" : "number",
      passageId: null,
      enemyIds: random() < 0.1 ? [`i${(n + 1) % 2000}`] : [],
    }),
  );
  const counts = [
    ...Array.from({ length: 8 }, (_, s) => ({ standardId: `s${s}`, least: 4, most: 6 })),
    { depth: 3, least: 10 },
    { kind: "choice", most: 15 },
  ];
  const differences: string[] = [];
  const time = await seconds(3, async (n) => {
    const result = await buildForms({ items, forms: 2, length: 40, counts, cut: n * 0.2 }, solveWithHighs, 5);
    if (result.status !== "built") throw new Error("No forms were built.");
    differences.push(`${result.quality}, ${(result.difference * 100).toFixed(1)} %`);
  });
  line(
    "Two forms of 40 from 2,000 items, median",
    `${time.median.toFixed(2)} s`,
    `aim 5 s; information apart (aim 10 %): ${differences.join("; ")}`,
  );
}

async function benchGroups(): Promise<void> {
  const proven: string[] = [];
  for (const penalty of [0, 0.3]) {
    const time = await seconds(7, async (n) => {
      const { problem } = randomClass(`bench ${n}`, 40, 40);
      const chances = problem.need.map((row) => row.map((need) => Math.max(0, 0.75 - need)));
      const plan = await planGroups({ ...problem, slots: 6, spread: { penalty, chances } }, solveWithHighs, 2);
      proven.push(plan.quality);
    });
    const optimal = proven.splice(0).filter((quality) => quality === "optimal").length;
    line(
      `40 students x 40 skills x 6 groups, spread ${penalty}`,
      `${time.median.toFixed(2)} s`,
      `aim 2 s; slowest ${time.most.toFixed(2)} s; proven best ${optimal} of 7`,
    );
  }
}

async function benchRest(): Promise<void> {
  const items = syntheticBank(40);
  const random = seededRandom("bench calibrate");
  const scores = Array.from({ length: 1000 }, () => {
    const theta = normal(random, 0, 1);
    return items.map((item): Score => (random() < probability(theta, item) ? 1 : 0));
  });
  const time = await seconds(1, async () => calibrate(scores, { model: "2pl" }));
  line("Calibration of 40 items, 1,000 students", `${time.median.toFixed(2)} s`, "to be run in a worker");
  const own = await medianOf("equivalent", () => equivalent("3(2x - 4) - 2(x + 1) = 7 - x", "x = 21/5"));
  line("Two lines of algebra compared, median", milliseconds(own), "at most 50 ms for any text");
}

export async function benchCore(): Promise<void> {
  console.log("\nThe core, in this process");
  await benchEstimates();
  await benchNextItem();
  await benchForms();
  await benchGroups();
  await benchRest();
}
