import { v7 } from "uuid";
import type { AnswerReply } from "@/features/delivery/types";
import { type TestSchool, testSchool } from "~/tests/support/school";
import { startBare } from "./bench-bare";
import { type Figures, type LoadClient, load } from "./bench-load";
import { type BenchStudent, benchStudents, messageOf } from "./bench-students";
import { freePort, startApp } from "./steps.mjs";

const STUDENTS = 20;
const MANY = 200;
const CLASS_SIZE = 25;
const WORKS = 12;
const WARM_SECONDS = 4;
const SECONDS = 10;
const JSON_TYPE = { "content-type": "application/json" };

/**
 * Submitting an answer against a bare route of the framework that inserts one row, in the same run and with the same clients:
 * each waits for the reply before it sends again. Turn about, so that a busy moment of the machine falls on both.
 */
export async function benchAnswers(folder: string): Promise<void> {
  const school = await testSchool();
  try {
    const bare = await bareRoute(folder);
    const app = await startSchool(school);
    try {
      const rounds: { readonly bare: Figures; readonly own: Figures }[] = [];
      for (let n = 0; n < 3; n++)
        rounds.push({ bare: await bare.measure(STUDENTS), own: await app.measure(STUDENTS, `6 Bench ${n}`) });
      const middle = rounds.sort((x, y) => ratio(x) - ratio(y))[1] ?? rounds[0];
      if (middle) say(middle.bare, middle.own);
      await many(app);
    } finally {
      bare.stop();
      app.stop();
    }
  } finally {
    school.close();
  }
}

const ratio = ({ bare, own }: { readonly bare: Figures; readonly own: Figures }) => own.rate / bare.rate;

function say(bare: Figures, own: Figures): void {
  console.log(`\nSubmitting an answer, ${STUDENTS} students at once, ${SECONDS} s each, the middle of three rounds`);
  console.log(`  bare route, one row     ${bare.rate.toFixed(0)} requests/s, p95 ${bare.p95.toFixed(0)} ms`);
  console.log(
    `  answer                  ${own.rate.toFixed(0)} scored answers/s, p95 ${own.p95.toFixed(0)} ms, ${own.failed} failed`,
  );
  console.log(`  ratio                   ${(own.rate / bare.rate).toFixed(2)}   (aim 0.80 or more)`);
  console.log(`  ratio of the p95        ${(own.p95 / bare.p95).toFixed(2)}   (aim under 2.00)`);
}

async function many(app: Measured): Promise<void> {
  const { rate, p95, failed } = await app.measure(MANY, "6 Many");
  console.log(`${MANY} students at once, each waiting for the reply`);
  console.log(
    `  answer                  ${rate.toFixed(0)} scored answers/s, p95 ${p95.toFixed(0)} ms, ${failed} failed   (aim p95 under 400 ms)`,
  );
}

interface Measured {
  measure(count: number, name?: string): Promise<Figures>;
  stop(): void;
}

async function bareRoute(folder: string): Promise<Measured> {
  const { base, stop } = await startBare(folder);
  const body = JSON.stringify(messageOf({ sittingId: v7(), current: { presentationId: v7(), tries: 0 } }));
  const message = { path: "/api/row", headers: JSON_TYPE, body };
  const one: LoadClient = { next: () => message, take: (status) => status === 200 };
  return {
    measure: async (count) => {
      const clients = Array.from({ length: count }, () => one);
      await load(base, clients, WARM_SECONDS);
      return load(base, clients, SECONDS);
    },
    stop,
  };
}

/** Real answers of real students to the application as it runs. */
async function startSchool(school: TestSchool): Promise<Measured> {
  school.setNow(Date.now());
  const port = await freePort(4800);
  const base = `http://127.0.0.1:${port}`;
  const child = await startApp(port, { OXBOW_DATABASE_URL: `file:${school.file}` }, "ignore");
  return {
    measure: async (count, name = "6 Bench") => {
      const students: BenchStudent[] = [];
      for (let n = 0; n < Math.ceil(count / CLASS_SIZE); n++)
        students.push(
          ...(await benchStudents(school, {
            count: Math.min(CLASS_SIZE, count),
            works: WORKS,
            className: `${name} ${n}`,
          })),
        );
      const clients = students.map((student) => clientOf(student, base));
      await load(base, clients, WARM_SECONDS);
      return load(base, clients, SECONDS);
    },
    stop: () => void child.kill("SIGKILL"),
  };
}

function clientOf(student: BenchStudent, origin: string): LoadClient {
  const headers = { ...JSON_TYPE, cookie: student.cookie, origin };
  return {
    next: () => {
      const [view] = student.views;
      return view ? { path: "/api/answers", headers, body: JSON.stringify(messageOf(view)) } : null;
    },
    take: (status, text) => {
      if (status !== 200) return false;
      const { outcome, sitting } = JSON.parse(text) as AnswerReply;
      if (sitting.current) student.views[0] = sitting;
      else student.views.shift();
      return outcome.status === "scored";
    },
  };
}
