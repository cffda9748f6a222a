import { setSecret } from "@/db/queries/credentials";
import { classesOfSchools } from "@/db/queries/people";
import { studentsOfSchools } from "@/db/queries/roster";
import { rosterView } from "@/features/roster/reads/rosterView";
import { rollOverView } from "@/features/roster/reads/schoolPages";
import { applyImport, beginImport, setMakeClasses } from "@/features/roster/writes/importRoster";
import { newSignIns } from "@/features/roster/writes/newSignIns";
import { rollOver } from "@/features/roster/writes/rollOver";
import type { OneRosterRow } from "@/formats/package/oneRosterPackage";
import { writeOneRoster } from "@/formats/package/writeOneRoster";
import { writeSheet } from "@/formats/table/writeSheet";
import { hashSecret } from "@/server/access/secrets";
import { undoChange } from "@/server/history/undoChange";
import { openBrowser, openPage, signInTeacher } from "~/tests/support/browser";
import { PASSWORD, readyImport, START, type TestSchool, testSchool } from "~/tests/support/school";
import { ensureBuilt, freePort, startApp } from "./steps.mjs";

const STUDENTS = 20_000;
const CLASSES_A_STUDENT = 6;
const STUDENTS_A_CLASS = 25;
const PAGE_STUDENTS = 1_000;

/** A school of any size as a package: each student in so many classes. */
export function packageOf(students: number, classesEach: number): Uint8Array {
  const active = { status: "active" };
  const classCount = Math.ceil((students * classesEach) / STUDENTS_A_CLASS);
  const users: OneRosterRow[] = [];
  const roles: OneRosterRow[] = [];
  const enrollments: OneRosterRow[] = [];
  for (let n = 0; n < students; n++) {
    const key = `s${n}`;
    const grade = String(3 + (n % 6)).padStart(2, "0");
    users.push({
      ...active,
      sourcedId: key,
      enabledUser: "true",
      username: key,
      givenName: `Given${n}`,
      familyName: `Family${n % 997}`,
      identifier: `N${n}`,
      grades: grade,
    });
    roles.push({
      ...active,
      sourcedId: `${key}r`,
      userSourcedId: key,
      roleType: "primary",
      role: "student",
      orgSourcedId: "school-1",
    });
    for (let place = 0; place < classesEach; place++)
      enrollments.push({
        ...active,
        sourcedId: `${key}e${place}`,
        classSourcedId: `c${(n * classesEach + place * 17) % classCount}`,
        schoolSourcedId: "school-1",
        userSourcedId: key,
        role: "student",
      });
  }
  const bulk = (rows: OneRosterRow[]) => ({ mode: "bulk" as const, rows });
  const delta = (rows: OneRosterRow[]) => ({ mode: "delta" as const, rows });
  return writeOneRoster({
    source: { systemName: "bench", systemCode: "b" },
    tables: {
      orgs: delta([{ ...active, sourcedId: "school-1", name: "Test School", type: "school" }]),
      academicSessions: delta([
        {
          ...active,
          sourcedId: "term-1",
          title: "Autumn",
          type: "term",
          startDate: "2026-09-14",
          endDate: "2027-01-22",
          schoolYear: "2027",
        },
      ]),
      courses: bulk([{ ...active, sourcedId: "k", title: "Reading", orgSourcedId: "school-1", subjects: "Reading" }]),
      classes: bulk(
        Array.from({ length: classCount }, (_, n) => ({
          ...active,
          sourcedId: `c${n}`,
          title: `Class ${n}`,
          grades: "06",
          courseSourcedId: "k",
          classType: "scheduled",
          schoolSourcedId: "school-1",
          termSourcedIds: "term-1",
          subjects: "Reading",
        })),
      ),
      users: bulk(users),
      roles: bulk(roles),
      enrollments: bulk(enrollments),
    },
  });
}

export const seconds = async <T>(work: () => Promise<T>): Promise<{ value: T; took: number }> => {
  const begun = performance.now();
  const value = await work();
  return { value, took: (performance.now() - begun) / 1000 };
};

export async function importOf(school: TestSchool, bytes: Uint8Array) {
  const context = await school.teacher("cora");
  const preview = await seconds(async () => {
    const draftId = await beginImport(context, { wholeSchool: true, fileName: "bench.zip", bytes });
    return readyImport(context, draftId);
  });
  const { draftId, fingerprint, warnings } = preview.value;
  return { context, preview, apply: () => applyImport(context, { draftId, fingerprint, confirmed: warnings }) };
}

/** The import of a whole district, and pages of a school of a thousand. */
export async function benchRoster(): Promise<void> {
  const school = await testSchool();
  const bytes = packageOf(STUDENTS, CLASSES_A_STUDENT);
  console.log(
    `Import of ${STUDENTS.toLocaleString("en-GB")} students, ${(STUDENTS * CLASSES_A_STUDENT).toLocaleString("en-GB")} enrollments (${(bytes.length / 1e6).toFixed(1)} MB packed)`,
  );
  const first = await importOf(school, bytes);
  console.log(`  first look at the difference   ${first.preview.took.toFixed(1)} s (aim under 10)`);
  const applied = await seconds(first.apply);
  console.log(`  applied in one transaction     ${applied.took.toFixed(1)} s`);
  const again = await importOf(school, bytes);
  console.log(
    `  the same file once more        ${again.preview.took.toFixed(1)} s, ${again.preview.value.firstPage.total} changes`,
  );
  const undone = await seconds(async () => undoChange(first.context, applied.value.changeId));
  console.log(`  undone as one                  ${undone.took.toFixed(1)} s`);
  school.close();
  await benchYear();
  await benchPages();
}

const SHEET_STUDENTS = 800;

/** What a coordinator waits for at the start of a year: the sheet of a whole school, its cards, and the roll-over after it. */
async function benchYear(): Promise<void> {
  const school = await testSchool();
  const context = await school.teacher("cora");
  const rows = Array.from({ length: SHEET_STUDENTS }, (_, n) => {
    const grade = 3 + (n % 6);
    return [`N${n}`, `Given${n}`, `Family${n % 97}`, String(grade), `${grade} ${["Alder", "Rowan", "Hazel"][n % 3]}`];
  });
  const bytes = await writeSheet(
    [["Student number", "Given name", "Family name", "Grade", "Classes"], ...rows],
    "xlsx",
    "School",
  );
  const read = await seconds(async () => {
    const draftId = await beginImport(context, { wholeSchool: true, fileName: "school.xlsx", bytes });
    await setMakeClasses(context, { draftId, make: true });
    return readyImport(context, draftId);
  });
  const { draftId, fingerprint, warnings } = read.value;
  const applied = await seconds(() => applyImport(context, { draftId, fingerprint, confirmed: warnings }));
  const ids = (await studentsOfSchools(school.db.read, ["school-1"])).map(({ person }) => person.id);
  const cora = await school.teacher("cora");
  const cards = await seconds(() => newSignIns(cora, { studentIds: ids, cards: true }));
  const view = await rollOverView(cora);
  const { name: termName, startDay, endDay } = view.next;
  const rolled = await seconds(() =>
    rollOver(cora, {
      termName,
      startDay,
      endDay,
      teachers: "by-name",
      version: view.version,
      lines: view.lines.map(({ classId, what, nextGrade, nextName }) => ({
        classId,
        what,
        grade: nextGrade,
        className: nextName,
      })),
      exceptions: [],
    }),
  );
  console.log(
    `\nA school of ${SHEET_STUDENTS} students, from a sheet (XLSX)\n  difference ${read.took.toFixed(1)} s, applied ${applied.took.toFixed(1)} s, ${cards.value.length} PINs and cards ${cards.took.toFixed(1)} s, rolled over ${rolled.took.toFixed(1)} s`,
  );
  school.close();
}

async function benchPages(): Promise<void> {
  const school = await testSchool();
  const { apply } = await importOf(school, packageOf(PAGE_STUDENTS, 1));
  await apply();
  await school.db.write(async (tx) => setSecret(tx, "cora", await hashSecret(PASSWORD), "password"));
  const context = await school.teacher("cora");
  const read = await seconds(() => rosterView(context, []));
  console.log(
    `\nA school of ${read.value.students.length} students\n  read for the roster page       ${(read.took * 1000).toFixed(0)} ms`,
  );
  const [anyClass] = await classesOfSchools(school.db.read, ["school-1"], false);
  ensureBuilt();
  const port = await freePort(4900);
  const app = await startApp(
    port,
    { OXBOW_DATABASE_URL: `file:${school.file}`, OXBOW_NOW: new Date(START).toISOString() },
    "ignore",
  );
  const browser = await openBrowser();
  try {
    const base = `http://localhost:${port}`;
    const page = await openPage(browser);
    await signInTeacher(page, base, "cora@school.example", PASSWORD);
    await page.goto(`${base}/desk/school/roster`, { waitUntil: "networkidle0" });
    const shown = await seconds(() =>
      page
        .goto(`${base}/desk/school/roster`, { waitUntil: "load" })
        .then(() => page.waitForSelector("tr[data-student]")),
    );
    const rows = (await page.$$("tr[data-student]")).length;
    const frames = await page.evaluate(async () => {
      const box = document.querySelector("section[aria-label^='Students']") as HTMLElement;
      const gaps: number[] = [];
      let last = performance.now();
      for (let n = 0; n < 120; n++) {
        box.scrollTop += 280;
        await new Promise(requestAnimationFrame);
        const now = performance.now();
        gaps.push(now - last);
        last = now;
      }
      return gaps.sort((x, y) => x - y);
    });
    const typed = await seconds(async () => {
      await page.locator("input[placeholder='Find a name or number']").fill("Given777");
      await page.waitForFunction(() => document.querySelectorAll("tr[data-student]").length === 1);
    });
    console.log(
      `  roster page shown              ${(shown.took * 1000).toFixed(0)} ms, ${rows} of ${PAGE_STUDENTS} rows drawn`,
    );
    console.log(
      `  a frame while scrolling        ${frames[60]?.toFixed(1)} ms in the median, ${frames[114]?.toFixed(1)} ms at the 95th of 100`,
    );
    console.log(`  a name found while typing      ${(typed.took * 1000).toFixed(0)} ms`);
    const door = await openPage(await browser.createBrowserContext(), 820, 1180);
    await door.goto(`${base}/sign-in`, { waitUntil: "networkidle0" });
    await door.locator("#code").fill(anyClass?.code ?? "");
    const opened = await seconds(async () => {
      await door.keyboard.press("Enter");
      await door.waitForSelector("li button");
    });
    console.log(`  sign-in page, names shown      ${(opened.took * 1000).toFixed(0)} ms`);
  } finally {
    await browser.close();
    app.kill("SIGKILL");
    school.close();
  }
}
