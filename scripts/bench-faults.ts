import { type ChildProcess, spawnSync } from "node:child_process";
import { copyFileSync, mkdirSync, mkdtempSync, openSync, rmSync, statSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { createClient } from "@libsql/client";
import { sql } from "drizzle-orm";
import { openDatabase } from "@/db/connection";
import { patiently } from "@/db/patience";
import { evidenceAfter } from "@/db/queries/answerLog";
import { allMisconceptionSigns, allSkillDays, allSkillStates } from "@/db/queries/summaries";
import { sessions } from "@/db/schema/access";
import { exactPart, naiveSummaries } from "~/tests/support/naiveSummaries";
import { type TestSchool, testSchool } from "~/tests/support/school";
import { Crowd } from "./bench-crowd";
import { benchStudents } from "./bench-students";
import { freePort, root, startApp } from "./steps.mjs";

/**
 * Faults under load, on loopback: 200 students answer 100 times a second while the process is killed, the database is locked
 * by another process, the disk is full and the clock jumps. Afterwards the database itself says whether each answer that was
 * acknowledged is there once, and whether the summaries are what a second reading of the log makes of it.
 * `npm run bench -- faults 50` kills fifty times.
 */
const STUDENTS = 200;
const CLASS_SIZE = 25;
const PER_SECOND = 100;
const SECONDS_BETWEEN_KILLS = 5;
const LOCK_SECONDS = 15;
const DISK_MEGABYTES = 3;
/** What the server said, to look into when a figure is odd. */
const LOG = join(tmpdir(), "oxbow-bench-faults.log");

interface Server {
  readonly address: string;
  start(env?: Readonly<Record<string, string>>): Promise<void>;
  kill(): Promise<void>;
}

export async function benchFaults(): Promise<void> {
  const kills = Number(process.argv.find((word) => /^\d+$/.test(word)) ?? 10);
  const school = await testSchool();
  school.setNow(Date.now());
  const works = 2 + Math.ceil((kills * SECONDS_BETWEEN_KILLS + 60) / 100);
  const students = await manyStudents(school, STUDENTS, works);
  const server = await serverOf(school.file);
  const crowd = new Crowd(server.address, students, PER_SECOND);
  try {
    await server.start();
    crowd.begin();
    await seconds(5);
    crowd.forget();
    await killed(server, crowd, { times: kills, students: STUDENTS, aim: 300 });
    await locked(school, crowd, server.address);
    await clockMoved(school, server, crowd);
    await crowd.end();
    await server.kill();
    await verdict(school, crowd);
    await diskFull(school, students);
  } finally {
    await crowd.end();
    await server.kill();
    school.close();
  }
}

/** Students in classes of an ordinary size. */
export async function manyStudents(school: TestSchool, count: number, works: number) {
  const students: Awaited<ReturnType<typeof benchStudents>>[number][] = [];
  for (let n = 0; n < count / CLASS_SIZE; n++)
    students.push(...(await benchStudents(school, { count: CLASS_SIZE, works, className: `6 Bench ${n}` })));
  return students;
}

export const seconds = (count: number) => new Promise((resolve) => setTimeout(resolve, count * 1000));
const median = (list: readonly number[]) => [...list].sort((x, y) => x - y)[Math.floor(list.length / 2)] ?? 0;

export async function serverOf(file: string): Promise<Server> {
  const port = await freePort(4900);
  let child: ChildProcess | null = null;
  return {
    address: `http://127.0.0.1:${port}`,
    start: async (env = {}) => {
      child = await startApp(port, { OXBOW_DATABASE_URL: `file:${file}`, ...env }, openSync(LOG, "a"));
    },
    kill: async () => {
      const dying = child;
      child = null;
      if (!dying || dying.exitCode !== null || dying.signalCode !== null) return;
      const gone = new Promise((resolve) => dying.once("exit", resolve));
      dying.kill("SIGKILL");
      await gone;
    },
  };
}

/** Kills and starts again; recovery is the time from the kill to the next answer that was acknowledged. */
export async function killed(
  server: Server,
  crowd: Crowd,
  { times, students, aim }: { readonly times: number; readonly students: number; readonly aim: number },
): Promise<void> {
  const recoveries: number[] = [];
  for (let n = 0; n < times; n++) {
    const at = performance.now();
    crowd.down();
    await server.kill();
    const starting = server.start();
    recoveries.push((await crowd.nextAcknowledged()) - at);
    await starting;
    // All who waited come at once; they are through before the figures of ordinary work are taken.
    await crowd.caughtUp();
    crowd.up();
    await seconds(SECONDS_BETWEEN_KILLS);
  }
  const { rate, p95 } = crowd.figures();
  console.log(`  all of them             ${recoveries.map((ms) => (ms / 1000).toFixed(1)).join(" ")} (log in ${LOG})`);
  console.log(`\n${times} kills under ${students} students`);
  console.log(
    `  answers between kills   ${rate.toFixed(0)} a second, p95 ${p95.toFixed(0)} ms   (aim under ${aim} ms)`,
  );
  console.log(
    `  recovery                median ${(median(recoveries) / 1000).toFixed(1)} s, longest ${(Math.max(...recoveries) / 1000).toFixed(1)} s   (aim under 3 s)`,
  );
}

/** Another process holds the write lock: pages still open, and answers go on when it lets go. */
async function locked(school: TestSchool, crowd: Crowd, address: string): Promise<void> {
  const other = createClient({ url: `file:${school.file}` });
  const lock = await patiently(() => other.transaction("write"), 5_000);
  const began = performance.now();
  let slowest = 0;
  while (performance.now() - began < LOCK_SECONDS * 1000) {
    const at = performance.now();
    await fetch(`${address}/sign-in`).then((response) => response.text());
    slowest = Math.max(slowest, performance.now() - at);
    await seconds(0.2);
  }
  await lock.rollback();
  other.close();
  const free = performance.now();
  const recovery = (await crowd.nextAcknowledged()) - free;
  console.log(`\nThe database locked by another process for ${LOCK_SECONDS} s`);
  console.log(`  slowest sign-in page    ${slowest.toFixed(0)} ms meanwhile`);
  console.log(`  first answer            ${(recovery / 1000).toFixed(1)} s after the lock was gone`);
  await crowd.caughtUp();
}

/** The clock of the machine a day behind, and a day ahead. */
async function clockMoved(school: TestSchool, server: Server, crowd: Crowd): Promise<void> {
  // Sessions would rightly be over by tomorrow; what is looked at here is what becomes of answers.
  const tomorrow = Date.now() + 86_400_000;
  await school.db.write((tx) => tx.update(sessions).set({ expiresAt: tomorrow * 2, lastSeenAt: tomorrow }));
  console.log("\nThe clock of the machine moved");
  const preload = pathToFileURL(join(root, "tests", "support", "laterClock.mjs"));
  for (const days of ["-1", "1", "0"]) {
    await server.kill();
    await server.start({ NODE_OPTIONS: `--import=${preload}`, OXBOW_TEST_DAYS_LATER: days });
    const before = crowd.acknowledged.size;
    await seconds(4);
    console.log(`  clock ${days.padStart(2)} days           ${crowd.acknowledged.size - before} answers in 4 s`);
  }
}

/** What the database says of all that was acknowledged. */
export async function verdict(school: TestSchool, crowd: Crowd): Promise<void> {
  const log = await evidenceAfter(school.db.read, 0, 1_000_000);
  const times = new Map<string, number>();
  for (const { key } of log) times.set(key, (times.get(key) ?? 0) + 1);
  const keys = [...crowd.acknowledged];
  const kept = new Set((await school.db.read.query.uncountedAnswers.findMany()).map(({ key }) => key));
  const lost = keys.filter((key) => !times.has(key) && !kept.has(key));
  const doubled = keys.filter((key) => (times.get(key) ?? 0) > 1);
  const naive = naiveSummaries(log);
  const [states, days, signs] = [
    await allSkillStates(school.db.read),
    await allSkillDays(school.db.read),
    await allMisconceptionSigns(school.db.read),
  ];
  const sameDays = JSON.stringify(sorted(days.map(exactPart))) === JSON.stringify(sorted(naive.days.map(exactPart)));
  const sameSigns = JSON.stringify(sorted(signs)) === JSON.stringify(sorted(naive.signs));
  const counts = (rows: readonly { personId: string; skillId: string; scoredAnswers: number }[]) =>
    sorted(rows.map(({ personId, skillId, scoredAnswers }) => ({ personId, skillId, scoredAnswers })));
  const sameStates = JSON.stringify(counts(states)) === JSON.stringify(counts(naive.states));
  console.log(`\nWhat the database says`);
  console.log(`  acknowledged            ${keys.length} answers`);
  console.log(`  lost                    ${lost.length}`);
  console.log(`  doubled                 ${doubled.length}`);
  console.log(
    `  summaries               ${sameDays && sameSigns && sameStates ? "as the naive rebuild" : "DIFFER from the naive rebuild"}`,
  );
  if (lost.length + doubled.length > 0 || !(sameDays && sameSigns && sameStates)) process.exitCode = 1;
}

const sorted = <Row>(rows: readonly Row[]): string[] =>
  rows.map((row) => JSON.stringify(Object.entries(row as object).sort(([x], [y]) => (x < y ? -1 : 1)))).sort();

/** A copy of the school on a disk with little room, or where none can be made, under a limit on the size of files. */
async function diskFull(school: TestSchool, students: Awaited<ReturnType<typeof benchStudents>>): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), "oxbow-disk-"));
  await school.db.read.run(sql`pragma wal_checkpoint(truncate)`);
  const disk = join(folder, "disk");
  mkdirSync(disk);
  const room = Math.ceil(statSync(school.file).size / 1_000_000) + DISK_MEGABYTES;
  const mounted = spawnSync("mount", ["-t", "tmpfs", "-o", `size=${room}m`, "tmpfs", disk]).status === 0;
  const file = join(disk, "school.db");
  copyFileSync(school.file, file);
  if (!mounted) {
    console.log("\nA full disk: left out, since no small disk can be mounted here");
    return;
  }
  const server = await serverOf(file);
  const crowd = new Crowd(server.address, students, PER_SECOND);
  try {
    await server.start();
    crowd.begin();
    await crowd.refusedAFew(60);
    const page = await fetch(`${server.address}/sign-in`);
    const before = crowd.acknowledged.size;
    spawnSync("mount", ["-o", `remount,size=${room + 200}m`, disk]);
    const at = performance.now();
    const recovery = (await crowd.nextAcknowledged()) - at;
    await seconds(3);
    await crowd.end();
    await server.kill();
    const db = await openDatabase(`file:${file}`, join(root, "src/db/migrations"));
    const stored = new Set((await evidenceAfter(db.read, 0, 1_000_000)).map(({ key }) => key));
    const lost = [...crowd.acknowledged].filter((key) => !stored.has(key)).length;
    db.close();
    console.log("\nThe disk full, and with room again");
    console.log(
      `  while full              ${before} answers before it, then refused; the sign-in page says ${page.status}`,
    );
    console.log(`  first answer            ${(recovery / 1000).toFixed(1)} s after there was room`);
    console.log(`  lost                    ${lost} of ${crowd.acknowledged.size}`);
    if (lost > 0 || page.status !== 200) process.exitCode = 1;
  } finally {
    await crowd.end();
    await server.kill();
    spawnSync("umount", ["-l", disk]);
    rmSync(folder, { recursive: true, force: true });
  }
}
