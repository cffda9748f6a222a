import { v7 } from "uuid";
import { setSecret } from "@/db/queries/credentials";
import type { AnswerReply } from "@/features/delivery/types";
import { beginImport } from "@/features/roster/writes/importRoster";
import { hashSecret } from "@/server/access/secrets";
import { click, openBrowser, openPage, setPageTime, signInTeacher } from "~/tests/support/browser";
import { PASSWORD, type TestSchool, testSchool } from "~/tests/support/school";
import { startBare } from "./bench-bare";
import { type Figures, type LoadClient, load } from "./bench-load";
import { packageOf } from "./bench-roster";
import { type BenchStudent, benchStudents, messageOf } from "./bench-students";
import { freePort, startApp } from "./steps.mjs";

const STUDENTS = 20;
const MANY = 200;
const CLASS_SIZE = 25;
const WORKS = 12;
const DISTRICT = 20_000;
const CLASSES_EACH = 4;
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
    const packed = packageOf(DISTRICT, CLASSES_EACH);
    try {
      const rounds: { readonly bare: Figures; readonly own: Figures }[] = [];
      for (let n = 0; n < 3; n++)
        rounds.push({ bare: await bare.measure(STUDENTS), own: await app.measure(STUDENTS, `6 Bench ${n}`) });
      const middle = rounds.sort((x, y) => ratio(x) - ratio(y))[1] ?? rounds[0];
      if (middle) say(middle.bare, middle.own);
      await many(app);
      await whileApplying(school, app, packed);
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

/** A class at work while the roster of a district is applied by the same process, from the coordinator's own page. */
async function whileApplying(school: TestSchool, app: School, packed: Uint8Array): Promise<void> {
  const before = await app.clients(STUDENTS, "6 Before");
  await load(app.base, before, WARM_SECONDS);
  const usual = await load(app.base, before, SECONDS);
  const clients = await app.clients(STUDENTS, "6 Beside");
  const draftId = await beginImport(await school.teacher("cora"), {
    wholeSchool: true,
    fileName: "district.zip",
    bytes: packed,
  });
  const browser = await openBrowser();
  try {
    setPageTime(Date.now());
    const page = await openPage(browser);
    await page.setDefaultTimeout(120_000);
    const hash = await hashSecret(PASSWORD);
    await school.db.write((tx) => setSecret(tx, "cora", hash, "password"));
    await signInTeacher(page, app.base, "cora@school.example", PASSWORD);
    await page.goto(`${app.base}/desk/school/roster/import/${draftId}`);
    await page.waitForSelector("button ::-p-text(Apply)", { visible: true });
    for (const box of await page.$$("label input[type=checkbox]")) await box.click();
    const began = performance.now();
    await click(page, "button ::-p-text(Apply)");
    const applied = page.waitForFunction(() => document.body.textContent?.includes("Imported district.zip"));
    const beside = await load(app.base, clients, applied);
    const took = (performance.now() - began) / 1000;
    console.log(`${STUDENTS} students while ${DISTRICT.toLocaleString("en-GB")} are imported (${took.toFixed(1)} s)`);
    console.log(`  usually                 ${usual.rate.toFixed(0)} answers/s, p95 ${usual.p95.toFixed(0)} ms`);
    console.log(
      `  meanwhile               ${beside.rate.toFixed(0)} answers/s, p95 ${beside.p95.toFixed(0)} ms, longest ${(beside.longest / 1000).toFixed(1)} s, ${beside.failed} failed`,
    );
    console.log(`  ratio of the p95        ${(beside.p95 / usual.p95).toFixed(2)}   (aim under 3.00)`);
  } finally {
    await browser.close();
  }
}

interface School extends Measured {
  readonly base: string;
  /** Students of classes of their own, ready to answer. */
  clients(count: number, name: string): Promise<LoadClient[]>;
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
async function startSchool(school: TestSchool): Promise<School> {
  school.setNow(Date.now());
  const port = await freePort(4800);
  const base = `http://127.0.0.1:${port}`;
  const child = await startApp(port, { OXBOW_DATABASE_URL: `file:${school.file}` }, "ignore");
  const clientsOf = async (count: number, name: string) => {
    const students: BenchStudent[] = [];
    for (let n = 0; n < Math.ceil(count / CLASS_SIZE); n++)
      students.push(
        ...(await benchStudents(school, {
          count: Math.min(CLASS_SIZE, count),
          works: WORKS,
          className: `${name} ${n}`,
        })),
      );
    return students.map((student) => clientOf(student, base));
  };
  return {
    base,
    clients: clientsOf,
    measure: async (count, name = "6 Bench") => {
      const clients = await clientsOf(count, name);
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
