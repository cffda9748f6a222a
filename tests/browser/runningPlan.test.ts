import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, it } from "vitest";
import { setSecret } from "@/db/queries/credentials";
import { choosePlan } from "@/features/plan/writes/choosePlan";
import type { SignInSlip } from "@/features/roster/types";
import { newSignIns } from "@/features/roster/writes/newSignIns";
import { hashSecret } from "@/server/access/secrets";
import { type TestApp, testApp } from "../support/app";
import { axeFindings } from "../support/axe";
import { choose, click, fill, openBrowser, openPage, signInPupil, signInTeacher } from "../support/browser";
import { give, givePractice, makeClass, open, PASSWORD, type TestSchool } from "../support/school";

let app: TestApp;
let browser: Browser;
let page: Page;
let slips: SignInSlip[] = [];
beforeAll(async () => {
  app = await testApp(async (school) => {
    const secret = await hashSecret(PASSWORD);
    for (const who of ["ana", "cora"]) await school.db.write((tx) => setSecret(tx, who, secret, "password"));
    const { classId, studentIds } = await makeClass(school, 3, "6 Hazel");
    const ana = await school.teacher();
    slips = await newSignIns(ana, { studentIds });
    const [ahead = "", behind = "", onDates = ""] = studentIds;
    // Today, the eleventh week, lies in the second unit.
    const year = { subjectId: "mathematics", grade: 6, firstDay: "2026-10-19", weekdays: [1, 2, 3, 4, 5] };
    await choosePlan(ana, { classIds: [classId], ...year });
    const before = ["ratio-language", "equivalent-ratios", "ratio-tables"];
    const now = ["unit-rates", "comparing-rates", "percent-of-amounts"];
    await answerAll(school, classId, onDates, before, "right");
    await answerAll(school, classId, ahead, [...before, ...now.slice(0, 2)], "right");
    await answerAll(school, classId, behind, ["times-as-many", "equivalent-fractions"], "wrong");
  });
  browser = await openBrowser();
  page = await openPage(browser);
  await signInTeacher(page, app.base, "ana@school.example", PASSWORD);
});
afterAll(async () => {
  await browser?.close();
  await app?.close();
});

/** Practice on each skill, done to its end. */
async function answerAll(
  school: TestSchool,
  classId: string,
  studentId: string,
  skillIds: readonly string[],
  how: "right" | "wrong",
) {
  for (const skillId of skillIds) {
    const items = how === "right" ? 20 : 6;
    const work = await givePractice(school, classId, [studentId], { skillIds: [skillId], items, title: skillId });
    let view = await open(school, studentId, work);
    while (view.finished === null) view = (await give(school, studentId, view, how)).sitting;
  }
}

const rows = () => page.$$eval("main tbody tr", (all) => all.map((one) => one.innerText.replace(/\s+/g, " ").trim()));
const wait = (on: Page, words: string) =>
  on.waitForFunction((text) => document.body.innerText.includes(text), {}, words);
/** A page of somebody's own, signed in once. */
const pages = new Map<string, Page>();
async function pageOf(key: string, signIn: (own: Page) => Promise<void>): Promise<Page> {
  const known = pages.get(key);
  const own = known ?? (await openPage(await browser.createBrowserContext(), 820, 1180));
  if (!known) await signIn(own);
  pages.set(key, own);
  await own.bringToFront();
  return own;
}
/** The first thing that a student can begin on their page, from wherever the server takes them to be; empty for nothing. */
async function nextOf(slip: SignInSlip | undefined): Promise<string> {
  if (!slip) throw new Error("There is no such student.");
  const own = await pageOf(slip.studentId, (fresh) => signInPupil(fresh, app.base, slip));
  await own.goto(`${app.base}/river`, { waitUntil: "networkidle0" });
  const [first = ""] = await own.$$eval("li", (all) =>
    all.filter((one) => /Begin|Go on/.test(one.innerText)).map((one) => one.innerText),
  );
  return first.replace(/\s+/g, " ");
}
const atNetwork = async (range: string): Promise<void> => {
  const theirs = await pageOf("cora", (fresh) => signInTeacher(fresh, app.base, "cora@school.example", PASSWORD));
  await theirs.goto(`${app.base}/desk/school/plan/calendar`, { waitUntil: "networkidle0" });
  await fill(theirs, "form:last-of-type input", range);
  await click(theirs, "form:last-of-type button[type=submit]");
  await wait(theirs, "Changed.");
  await page.bringToFront();
};

it("a plan that runs by itself gives each of three students the right next piece, at school and at home", async () => {
  const [ahead, behind, onDates] = slips;
  await page.goto(`${app.base}/desk/6-hazel/plan`, { waitUntil: "networkidle0" });
  await click(page, "a ::-p-text(Students in it)");
  await choose(page, "select[aria-label='Whether the plan runs by itself']", "yes");
  await choose(page, "select[aria-label=Pace]", "class");
  await wait(page, "with the class’s dates.");
  await page.reload({ waitUntil: "networkidle0" });
  expect(await axeFindings(page)).toEqual([]);
  const [aheadRow = "", behindRow = "", onDatesRow = ""] = await rows();
  expect(aheadRow).toContain("Percent of an amount");
  expect(behindRow).toContain("missing for Unit rates");
  expect(onDatesRow).toContain("Unit rates");

  // At school.
  await atNetwork("127.0.0.0/8, ::1");
  const school = [await nextOf(ahead), await nextOf(behind), await nextOf(onDates)];
  expect(school[0]).toContain("next in mathematics");
  expect(school[1]).toContain("you need it for");
  expect(new Set(school).size).toBe(3);

  await page.bringToFront();
  // The unit of now becomes one for school alone: at home there is something else, and for those who are through nothing.
  await page.goto(`${app.base}/desk/6-hazel/plan`, { waitUntil: "networkidle0" });
  await click(page, "button[aria-label='Rates and percents: more']");
  await click(page, "[role=menuitem] ::-p-text(Only at school)");
  await wait(page, "at school only");
  expect([await nextOf(ahead), await nextOf(behind), await nextOf(onDates)]).toEqual(school);
  await atNetwork("10.20.0.0/16");
  expect(await nextOf(onDates)).toBe("");
  await wait(pages.get(onDates?.studentId ?? "") as Page, "What is left of your plan is for another place.");
  // What is missing under ratios, not under what is for school.
  expect(await nextOf(behind)).toContain("Begin");
  await page.bringToFront();
  await page.goto(`${app.base}/desk/6-hazel/plan/students`, { waitUntil: "networkidle0" });
  expect((await rows()).filter((row) => row.includes("nothing open")).length).toBe(2);

  // Begun from their own page, by keys alone.
  await atNetwork("127.0.0.0/8, ::1");
  expect(await nextOf(onDates)).toContain("Begin");
  const own = pages.get(onDates?.studentId ?? "") as Page;
  await own.focus("li button");
  await own.keyboard.press("Enter");
  await own.waitForSelector("form[data-presentation]");
  expect(own.url()).toMatch(/\/river\/[0-9a-f-]{36}$/);
  expect(await nextOf(onDates)).toContain("Go on");
  await page.bringToFront();
  await page.goto(`${app.base}/desk/6-hazel/plan/students`, { waitUntil: "networkidle0" });
  expect((await rows())[2]).toContain("(begun)");
  await page.goto(`${app.base}/desk/6-hazel/work`, { waitUntil: "networkidle0" });
  expect(await page.evaluate(() => document.querySelector("main")?.innerText)).not.toContain("How much for one");

  // Where they begin, for all at once, and back.
  await page.goto(`${app.base}/desk/6-hazel/plan/students`, { waitUntil: "networkidle0" });
  await click(page, "input[aria-label='All 3 students']");
  await choose(page, "select[aria-label='Where they begin']", "shown");
  await click(page, "form button[type=submit]");
  await wait(page, "begin elsewhere now.");
  await wait(page, "begins at “Rates and percents”");
  await click(page, "[data-sonner-toast] button ::-p-text(Undo)");
  await page.waitForFunction(() => !document.body.innerText.includes("begins at “"));
});
