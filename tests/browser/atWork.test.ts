import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, it } from "vitest";
import { placementsOf } from "@/db/queries/placements";
import { assignmentTargets } from "@/db/schema/work";
import type { SignInSlip } from "@/features/roster/types";
import { newSignIns } from "@/features/roster/writes/newSignIns";
import { addStudent } from "@/features/roster/writes/students";
import { answerOnPage, goOn, logOf, type TestApp, testApp, writeAnswer } from "../support/app";
import { axeFindings } from "../support/axe";
import { click, openBrowser, openPage, pressPair, setPageTime, signInTeacher } from "../support/browser";
import { moves } from "../support/moves";
import { asPupil, beginWork, says, textOf } from "../support/pupils";
import { givePractice, makeClass, PASSWORD, START } from "../support/school";

const DAY = 86_400_000;
let app: TestApp;
let browser: Browser;
let page: Page;
let slips: SignInSlip[] = [];
let studentIds: string[] = [];
let classId = "";
beforeAll(async () => {
  app = await testApp(async (school) => {
    ({ classId, studentIds } = await makeClass(school, 5, "6 Hazel"));
    slips = await newSignIns(await school.teacher(), { studentIds });
    await givePractice(school, classId, studentIds, { kind: "amount", title: "Together", items: 8 });
    await givePractice(school, classId, studentIds.slice(3), { kind: "amount", title: "Any clock", items: 4 });
  });
  browser = await openBrowser();
  page = await openPage(browser);
  await signInTeacher(page, app.base, "ana@school.example", PASSWORD);
});
afterAll(async () => {
  await browser?.close();
  await app?.close();
});

async function answerAll(own: Page, how: readonly ("right" | "wrong")[]): Promise<void> {
  for (const one of how) {
    await answerOnPage(app, own, one);
    await own.waitForSelector("[data-next], form button[type=submit] ::-p-text(Check again)");
    if (one === "wrong") {
      await answerOnPage(app, own, "right");
      await own.waitForSelector("[data-next]");
    }
    await goOn(own);
  }
}

it("a live board follows three students at work; a word, a pause and five more minutes reach their screens", async () => {
  await page.goto(`${app.base}/desk/6-hazel/work`, { waitUntil: "networkidle0" });
  await click(page, "a ::-p-text(Together)");
  await click(page, "a ::-p-text(At work now)");
  await says(page, "5 not begun");
  const pupils: Page[] = [];
  for (const slip of slips.slice(0, 3)) {
    const own = await asPupil(browser, app.base, slip);
    await beginWork(own, "Together");
    pupils.push(own);
  }
  const [first, second, third] = pupils as [Page, Page, Page];
  await says(page, "3 at work");
  await answerAll(first, ["right", "right"]);
  await answerAll(second, ["wrong", "wrong", "wrong", "wrong", "wrong"]);
  await page.bringToFront();
  await says(page, "1 held up now");
  await says(page, "5 wrong in a row, 5 of at most 8");
  await says(page, "2 of at most 8");
  expect(await axeFindings(page)).toEqual([]);
  // A word to the one who is held up.
  const teacher = moves(page);
  await teacher.click("input[aria-label^='Choose Student01']");
  await teacher.click("button ::-p-text(Send)");
  await teacher.wait("Sent to");
  expect(teacher.count()).toBe(2);
  await second.bringToFront();
  await second.reload({ waitUntil: "networkidle0" });
  await says(second, "Read the question once more and tell me what it asks for.");
  await click(second, "button ::-p-text(Read)");
  await second.waitForFunction(() => !document.body.innerText.includes("Read the question once more"));
  // A pause holds every screen, and what was written stays.
  await page.bringToFront();
  await click(page, "button ::-p-text(Pause all)");
  await says(page, "Paused for everybody.");
  await third.bringToFront();
  await third.reload({ waitUntil: "networkidle0" });
  await third.waitForSelector("[role=alertdialog]");
  await page.bringToFront();
  await click(page, "button ::-p-text(Go on)");
  await third.bringToFront();
  await third.reload({ waitUntil: "networkidle0" });
  await third.waitForFunction(() => document.querySelector("[role=alertdialog]") === null);
  await answerAll(third, ["right"]);
  // Names are covered on the wall.
  await page.bringToFront();
  await pressPair(page, "g", "p");
  await page.waitForFunction(() => document.documentElement.dataset.projector === "on");
  await pressPair(page, "g", "p");
  for (const own of pupils) await own.close();
});

it("a diagnostic tells nothing, lets one set aside what was not learned, and goes on elsewhere to its end", async () => {
  await page.goto(`${app.base}/desk/6-hazel/work/new`, { waitUntil: "networkidle0" });
  const teacher = moves(page);
  await teacher.click("label ::-p-text(Where they stand)");
  await says(page, "A strand takes 6 to 20 items");
  expect(await axeFindings(page)).toEqual([]);
  await teacher.click("button[type=submit]");
  await teacher.wait("5 not started");
  expect(teacher.count()).toBe(2);
  const workPage = page.url();
  const tablet = await asPupil(browser, app.base, slips[0]);
  await beginWork(tablet, "Where to begin");
  expect(await axeFindings(tablet)).toEqual([]);
  const moveOn = async (own: Page, act: () => Promise<unknown>) => {
    const was = await own.$eval("form[data-presentation]", (form) => (form as HTMLElement).dataset.presentation);
    await act();
    await own.waitForFunction(
      (id) => document.querySelector<HTMLElement>("form[data-presentation]")?.dataset.presentation !== id,
      {},
      was,
    );
  };
  await moveOn(tablet, () => click(tablet, "button ::-p-text(learned this yet)"));
  await moveOn(tablet, () => answerOnPage(app, tablet, "right"));
  const shown = await textOf(tablet);
  for (const word of ["right at the first try", "Not quite", "Correct"]) expect(shown).not.toContain(word);
  const waiting = await tablet.$eval("form[data-presentation]", (form) => (form as HTMLElement).dataset.presentation);
  await click(tablet, "a ::-p-text(Stop for now)");
  await tablet.close();
  const laptop = await asPupil(browser, app.base, slips[0]);
  await beginWork(laptop, "Where to begin");
  expect(await laptop.$eval("form[data-presentation]", (form) => (form as HTMLElement).dataset.presentation)).toBe(
    waiting,
  );
  for (let n = 0; n < 25 && (await laptop.$("form[data-presentation]")); n++)
    await moveOn(laptop, () =>
      n % 4 === 3
        ? click(laptop, "button ::-p-text(learned this yet)")
        : answerOnPage(app, laptop, n % 2 === 0 ? "wrong" : "right"),
    );
  await says(laptop, "it shows where to begin");
  await laptop.close();
  const [placed] = await placementsOf(app.school.db.read, [studentIds[0] ?? ""]);
  expect(placed?.se).toBeLessThan(1);
  await page.bringToFront();
  await page.goto(workPage, { waitUntil: "networkidle0" });
  await says(page, "1 placed");
  expect(await page.$eval("td svg[role=img]", (svg) => svg.getAttribute("aria-label"))).toMatch(
    /^grade \d: .*not learned yet/,
  );
  expect(await axeFindings(page)).toEqual([]);
});

it.each([
  ["two days ahead", 2, 3],
  ["two days behind", -2, 4],
])("a device whose clock is %s loses nothing, with and without a connection", async (_, days, place) => {
  setPageTime(START + days * DAY);
  const own = await asPupil(browser, app.base, slips[place]);
  await beginWork(own, "Any clock");
  await answerOnPage(app, own, "right");
  await own.waitForSelector("[data-next]");
  await goOn(own);
  await app.kill();
  await writeAnswer(app, own, "right");
  await click(own, "form button[type=submit]");
  await says(own, "kept on this device");
  await app.start(START);
  await own.waitForFunction(() => !document.body.innerText.includes("Not sent yet"));
  const log = (await logOf(app)).filter(({ personId }) => personId === studentIds[place]);
  const ofWork = log.slice(-2);
  expect(ofWork.map(({ earned, possible }) => earned === possible)).toEqual([true, true]);
  const answers = await app.school.db.read.query.answers.findMany();
  for (const answer of answers.filter(({ personId }) => personId === studentIds[place])) {
    expect(Math.abs(answer.givenAt - START)).toBeLessThan(DAY / 2);
    expect(answer.lateClaim).toBe(false);
  }
  expect((await app.school.db.read.query.uncountedAnswers.findMany()).length).toBe(0);
  await own.close();
});

it("who joins later is offered the open work with a day of their own", async () => {
  const later = await makeClassmate();
  await app.kill();
  await app.start(START + DAY);
  // After a day a teacher signs in anew.
  await signInTeacher(page, app.base, "ana@school.example", PASSWORD);
  await page.goto(`${app.base}/desk/6-hazel/work`, { waitUntil: "networkidle0" });
  await says(page, "1 joined since");
  await click(page, "a ::-p-text(Together)");
  await says(page, "1 joined since");
  await click(page, "button ::-p-text(Give it to them)");
  await says(page, "too.");
  const targets = await app.school.db.read.select().from(assignmentTargets);
  expect(targets.filter(({ personId }) => personId === later)).toMatchObject([{ dueAt: expect.any(Number) }]);
  await says(page, "not started");
});

/** A student who comes into the class on the day after the work was given. */
async function makeClassmate(): Promise<string> {
  app.school.setNow(START + DAY);
  const teacher = await app.school.teacher();
  const personId = app.school.runtime.newId();
  await addStudent(teacher, {
    studentId: personId,
    classId,
    givenName: "Late",
    familyName: "Comer",
    studentNumber: "L1",
    grade: 6,
  });
  return personId;
}
