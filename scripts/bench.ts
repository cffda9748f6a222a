import { spawn, spawnSync } from "node:child_process";
import { existsSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { createClient } from "@libsql/client";
import autocannon from "autocannon";
import { v7 } from "uuid";
import type { AnswerReply } from "@/features/delivery/types";
import { masteryMap } from "@/features/evidence/reads";
import { makeClass, testSchool } from "~/tests/support/school";
import { benchCore } from "./bench-core";
import { fillLog, sixtySkills } from "./bench-data";
import { benchFaults } from "./bench-faults";
import { benchFrame } from "./bench-frame";
import { benchHistory } from "./bench-history";
import { benchRoster } from "./bench-roster";
import { benchStudents, messageOf } from "./bench-students";
import { ensureBuilt, freePort, root, startApp } from "./steps.mjs";

/** Figures against a baseline measured in the same run: what matters is the ratio, not this machine. */
const STUDENTS = 20;
const WORKS = 12;
const SECONDS = 10;

const folder = mkdtempSync(join(tmpdir(), "oxbow-bench-"));

async function benchAnswers(): Promise<void> {
  const bare = await measureBare();
  const own = await measureAnswers();
  console.log(`\nSubmitting an answer, ${STUDENTS} students at once, ${SECONDS} s each`);
  console.log(`  bare route, one row     ${bare.rate.toFixed(0)} requests/s, p95 ${bare.p95.toFixed(0)} ms`);
  console.log(
    `  answer                  ${own.rate.toFixed(0)} requests/s, p95 ${own.p95.toFixed(0)} ms, ${own.failed} failed`,
  );
  console.log(`  ratio                   ${(own.rate / bare.rate).toFixed(2)}   (aim 0.60 or more)`);
}

interface Figures {
  readonly rate: number;
  readonly p95: number;
  readonly failed: number;
  readonly count: number;
}

/** Fires for some seconds and takes the figures from every single response. */
async function fireAt(options: autocannon.Options): Promise<Figures> {
  const times: number[] = [];
  let failed = 0;
  const result = await new Promise<autocannon.Result>((resolve, reject) => {
    const instance = autocannon(options, (error, done) => (error ? reject(error) : resolve(done)));
    instance.on("response", (_client, status, _bytes, milliseconds) => {
      times.push(milliseconds);
      if (status !== 200) failed++;
    });
  });
  times.sort((x, y) => x - y);
  return {
    rate: result.requests.average,
    p95: times[Math.floor(times.length * 0.95)] ?? 0,
    failed: failed + result.errors,
    count: times.length,
  };
}

async function measureBare(): Promise<Figures> {
  const url = `file:${join(folder, "bare.db")}`;
  const client = createClient({ url });
  await client.execute("PRAGMA journal_mode = WAL");
  await client.execute("create table bare (id integer primary key autoincrement, body text not null)");
  client.close();
  const app = join(root, "scripts", "bench-bare");
  const next = join(root, "node_modules", "next", "dist", "bin", "next");
  const env = {
    ...process.env,
    NODE_ENV: "production" as const,
    NEXT_TELEMETRY_DISABLED: "1",
    BENCH_DATABASE_URL: url,
    NODE_OPTIONS: "",
  };
  if (!existsSync(join(app, ".next", "BUILD_ID"))) {
    const { status } = spawnSync(process.execPath, [next, "build", app], {
      env,
      stdio: ["ignore", "ignore", "inherit"],
    });
    if (status !== 0) throw new Error("The bare route did not build.");
  }
  const port = await freePort(4700);
  const child = spawn(process.execPath, [next, "start", app, "-p", String(port)], { env, stdio: "ignore" });
  try {
    const body = JSON.stringify(messageOf({ sittingId: v7(), current: { presentationId: v7(), tries: 0 } }));
    const address = `http://127.0.0.1:${port}/api/row`;
    await untilUp(address, body);
    const fire = (duration: number) =>
      fireAt({
        url: address,
        method: "POST",
        body,
        headers: { "content-type": "application/json" },
        connections: STUDENTS,
        duration,
      });
    await fire(3);
    return await fire(SECONDS);
  } finally {
    child.kill("SIGKILL");
  }
}

async function untilUp(address: string, body: string): Promise<void> {
  for (let tries = 0; tries < 200; tries++) {
    const up = await fetch(address, { method: "POST", body, headers: { "content-type": "application/json" } }).then(
      (response) => response.ok,
      () => false,
    );
    if (up) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error("The bare route did not answer.");
}

/** Real answers of real students through the real route; each waits for the reply before the next, as children do. */
async function measureAnswers(): Promise<Figures> {
  const school = await testSchool();
  school.setNow(Date.now());
  const students = await benchStudents(school, { count: STUDENTS, works: WORKS, className: "6 Bench" });
  let scored = 0;
  const port = await freePort(4800);
  const child = await startApp(port, { OXBOW_DATABASE_URL: `file:${school.file}` }, "ignore");
  try {
    const fire = (duration: number) => {
      let next = 0;
      scored = 0;
      return fireAt({
        url: `http://127.0.0.1:${port}`,
        connections: STUDENTS,
        duration,
        requests: [
          {
            method: "POST",
            path: "/api/answers",
            setupRequest: (request, context) => {
              const own = context as { student?: (typeof students)[number] };
              own.student ??= students[next++ % STUDENTS];
              const view = own.student?.views[0];
              const headers = {
                "content-type": "application/json",
                cookie: own.student?.cookie ?? "",
                origin: `http://127.0.0.1:${port}`,
              };
              return { ...request, headers, body: JSON.stringify(messageOf(view ?? { sittingId: "", current: null })) };
            },
            onResponse: (status, body, context) => {
              const { student } = context as { student?: (typeof students)[number] };
              if (!student || status !== 200) return;
              const { outcome, sitting } = JSON.parse(body) as AnswerReply;
              if (outcome.status === "scored") scored++;
              if (sitting.current) student.views[0] = sitting;
              else student.views.shift();
            },
          },
        ],
      });
    };
    await fire(3);
    const figures = await fire(SECONDS);
    // A reply that scored nothing cost nothing: it must not count as an answer.
    return { ...figures, rate: (figures.rate * scored) / Math.max(1, figures.count) };
  } finally {
    child.kill("SIGKILL");
    school.close();
  }
}

async function benchMap(): Promise<void> {
  const sizes = [1000, 100_000] as const;
  const schools = [];
  for (const answers of sizes) {
    const school = await testSchool();
    await sixtySkills(school);
    const { classId, studentIds } = await makeClass(school, 30);
    await fillLog(school, studentIds, answers);
    schools.push({ school, classId, teacher: await school.teacher(), times: [] as number[] });
  }
  // Turn about, so that a busy moment of the machine falls on both alike.
  for (let n = 0; n < 46; n++) {
    for (const { teacher, classId, times } of schools) {
      const started = performance.now();
      const { students, skills } = await masteryMap(teacher, [classId]);
      if (n >= 5) times.push(performance.now() - started);
      if (students.length !== 30 || skills.length !== 60) throw new Error("The map is not 30 by 60.");
    }
  }
  const [small = 0, large = 0] = schools.map(({ times }) => times.sort((x, y) => x - y)[20] ?? 0);
  for (const { school } of schools) school.close();
  console.log("\nOpening the mastery map, 30 students by 60 skills, median of 41");
  console.log(`  with 1,000 answers      ${small.toFixed(1)} ms`);
  console.log(`  with 100,000 answers    ${large.toFixed(1)} ms`);
  console.log(`  ratio                   ${(large / small).toFixed(2)}   (aim 1.30 or less)`);
}

/** `npm run bench`, or `npm run bench -- frame`: all parts, or those that are named. */
const PARTS: Readonly<Record<string, () => Promise<void>>> = {
  core: benchCore,
  roster: benchRoster,
  history: benchHistory,
  frame: benchFrame,
  answers: async () => {
    ensureBuilt();
    await benchAnswers();
  },
  map: benchMap,
  faults: async () => {
    ensureBuilt();
    await benchFaults();
  },
};
const named = Object.keys(PARTS).filter((name) => process.argv.includes(name));
try {
  for (const name of named.length > 0 ? named : Object.keys(PARTS)) await PARTS[name]?.();
} finally {
  rmSync(folder, { recursive: true, force: true });
}
