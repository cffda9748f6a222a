import { join } from "node:path";
import { sql } from "drizzle-orm";
import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, it } from "vitest";
import { answers, scores } from "@/db/schema/sittings";
import { assignments } from "@/db/schema/work";
import { handIn } from "@/features/delivery/writes/handIn";
import { openSitting } from "@/features/delivery/writes/openSitting";
import type { SignInSlip } from "@/features/roster/types";
import { newSignIns } from "@/features/roster/writes/newSignIns";
import { answerOnPage, logOf, type TestApp, testApp, workThrough } from "../support/app";
import { axeFindings } from "../support/axe";
import { click, fill, openBrowser, openPage, signInTeacher } from "../support/browser";
import { filmOfCard } from "../support/camera";
import { moves } from "../support/moves";
import { asPupil, beginWork, says, textOf } from "../support/pupils";
import { give, givePractice, makeClass, PASSWORD } from "../support/school";

let app: TestApp;
let browser: Browser;
let page: Page;
let slips: SignInSlip[] = [];
let classId = "";
let studentIds: string[] = [];
beforeAll(async () => {
  app = await testApp(async (school) => {
    ({ classId, studentIds } = await makeClass(school, 3, "6 Hazel"));
    slips = await newSignIns(await school.teacher(), { studentIds });
  });
  browser = await openBrowser();
  page = await openPage(browser);
  await signInTeacher(page, app.base, "ana@school.example", PASSWORD);
});
afterAll(async () => {
  await browser?.close();
  await app?.close();
});

const slipOf = (n: number) => slips.find(({ studentId }) => studentId === studentIds[n]);
const items = [
  { itemId: "ratio-language/fraction-of-all", skillId: "ratio-language", seed: 4 },
  { itemId: "unit-rates/for-one", skillId: "unit-rates", seed: 3 },
];
/** A test that a student has handed in with one of two right. */
async function doneTest(title: string): Promise<string> {
  const workId = await givePractice(app.school, classId, studentIds, {
    kind: "quiz",
    title,
    skillIds: ["ratio-language", "unit-rates"],
    items: 2,
    picked: items,
    settings: { goBack: true },
    rules: { cutPercent: 80 },
  });
  const kim = studentIds[0] ?? "";
  const view = await openSitting(app.school.student(kim), workId);
  for (const [place, { presentationId }] of (view.whole?.items ?? []).entries())
    await give(app.school, kim, view, place === 0 ? "right" : "wrong", { presentationId, screen: {} });
  await handIn(app.school.student(kim), { sittingId: view.sittingId });
  return workId;
}

it("a student chooses a skill and a length, has the item read aloud, and sees the day and the goal", async () => {
  const kim = await asPupil(browser, app.base, slipOf(0));
  await kim.evaluateOnNewDocument(() => {
    const said: string[] = [];
    Object.assign(window, { said });
    Object.defineProperty(window, "speechSynthesis", {
      value: { speak: ({ text }: { text: string }) => said.push(text), cancel: () => {} },
    });
  });
  await kim.goto(`${app.base}/river`, { waitUntil: "networkidle0" });
  await click(kim, "a ::-p-text(Choose something of my own)");
  await says(kim, "Everything that is open");
  expect(await axeFindings(kim)).toEqual([]);
  await fill(kim, "input[placeholder='find a skill']", "ratio");
  await click(kim, "ul a[href$='ratio-language']");
  await says(kim, "To read up on");
  expect(await axeFindings(kim)).toEqual([]);
  await click(kim, "label ::-p-text(5 items)");
  await click(kim, "button ::-p-text(Practise)");
  await kim.waitForSelector("form[data-presentation]");
  await click(kim, "button ::-p-text(Read aloud)");
  const spoken = await kim.evaluate(() => (window as unknown as { said: string[] }).said.join(" "));
  const stem = await kim.$eval("form[data-presentation] p", (p) => (p as HTMLElement).innerText);
  expect(spoken).toContain(stem.split(" ").slice(0, 4).join(" "));
  await click(kim, "button ::-p-text(Stop reading)");
  await workThrough(app, kim, "right");
  await says(kim, "All done");
  await click(kim, "a ::-p-text(More of this)");
  await says(kim, "To read up on");
  await kim.goto(`${app.base}/river`, { waitUntil: "networkidle0" });
  await kim.select("#goal", "2");
  await says(kim, "This week: 1 of 2.");
  expect(await axeFindings(kim)).toEqual([]);
  await kim.reload({ waitUntil: "networkidle0" });
  expect(await textOf(kim)).toContain("This week: 1 of 2.");
  // It is on no list of the teacher's, and it is evidence.
  await page.goto(`${app.base}/desk/6-hazel/work`, { waitUntil: "networkidle0" });
  expect(await textOf(page)).not.toContain("Saying it as a ratio");
  expect((await logOf(app)).filter(({ personId }) => personId === studentIds[0])).toHaveLength(5);
  await kim.browserContext().close();
});

it("a teacher tries a test in another window, with its results, and nothing of it is kept", async () => {
  const count = async () => {
    const [row] = await app.school.db.read.all<{ n: number }>(
      sql`select (select count(*) from ${answers}) + (select count(*) from ${scores}) + (select count(*) from ${assignments}) as n`,
    );
    return row?.n ?? 0;
  };
  const before = await count();
  await page.goto(`${app.base}/desk/6-hazel/work/new?skill=ratio-language`, { waitUntil: "networkidle0" });
  await click(page, "label ::-p-text(A number of items)");
  await fill(page, "input[aria-label='Items']", "2");
  const opened = new Promise<Page>((resolve) => page.once("popup", (popup) => popup && resolve(popup)));
  await click(page, "button ::-p-text(Try it yourself)");
  const trial = await opened;
  await trial.waitForSelector("form[data-presentation]");
  await trial.setViewport({ width: 1280, height: 800 });
  expect(await textOf(trial)).toContain("nothing that you do here is kept");
  expect(await axeFindings(trial)).toEqual([]);
  for (let n = 0; n < 2; n++) {
    await answerOnPage(app, trial, "right");
    await click(trial, "button[data-next]");
  }
  await says(trial, "2 were right at the first try");
  expect(await count()).toBeGreaterThan(before);
  await click(trial, "button ::-p-text(Start over)");
  await trial.waitForSelector("form[data-presentation]");
  await click(trial, "button ::-p-text(Done with it)");
  await trial.waitForFunction(() => location.pathname.endsWith("/desk/all/work"));
  expect(await count()).toBe(before);
  // What was being put together stands there as it was.
  await page.bringToFront();
  expect(await page.$eval("input[aria-label='Items']", (box) => (box as HTMLInputElement).value)).toBe("2");
  await trial.close();
});

it("rules are changed after giving, and the page says first what that means for those who have begun", async () => {
  const workId = await doneTest("Rules to change");
  await page.goto(`${app.base}/desk/6-hazel/work/${workId}`, { waitUntil: "networkidle0" });
  await says(page, "below the cut");
  const teacher = moves(page);
  await teacher.click("a ::-p-text(Change)");
  await says(page, "Nothing is changed yet");
  expect(await axeFindings(page)).toEqual([]);
  await teacher.click("button[aria-label^='Cut']");
  await teacher.fill("input[type=number][step=any]", "50");
  await teacher.wait("1 student would be at the cut or above who is not now.");
  await page.keyboard.press("Escape");
  await teacher.click("button[type=submit]");
  await page.waitForFunction((path) => location.pathname.endsWith(path), {}, workId);
  await says(page, "cut 50 %");
  expect(await textOf(page)).not.toContain("below the cut");
  expect(teacher.count()).toBe(4);
  await click(page, "[data-sonner-toast] button ::-p-text(Undo)");
  await says(page, "below the cut");
});

it("another try is given to whoever finished, is done on the student's page, and its mark counts", async () => {
  const workId = await doneTest("Twice");
  await page.goto(`${app.base}/desk/6-hazel/work/${workId}`, { waitUntil: "networkidle0" });
  const teacher = moves(page);
  const [finished] = await page.$$eval("tbody tr", (all) =>
    all.filter((row) => row.innerText.includes("50 %")).map((row) => row.querySelector("input")?.ariaLabel ?? ""),
  );
  await teacher.click(`input[aria-label='${finished}']`);
  await teacher.click("button ::-p-text(Another try…)");
  await teacher.click("button ::-p-text(Give another try)");
  await teacher.wait("another try");
  expect(teacher.count()).toBe(3);
  const kim = await asPupil(browser, app.base, slipOf(0));
  await says(kim, "Try again");
  await beginWork(kim, "Twice");
  for (let n = 0; n < 2; n++) await answerOnPage(app, kim, "right");
  await click(kim, "button ::-p-text(Hand in)");
  await says(kim, "Handed in");
  await page.reload({ waitUntil: "networkidle0" });
  await says(page, "100 % counts, of 50 %, 100 %");
  // A comment stays with the work.
  await click(page, "label ::-p-text(A comment)");
  await fill(page, "input[aria-label='What to say']", "The second try shows it: you found the pairs.");
  await click(page, "button ::-p-text(Send)");
  await says(page, "“The second try shows it");
  await kim.bringToFront();
  await kim.goto(`${app.base}/river`, { waitUntil: "networkidle0" });
  await says(kim, "The second try shows it: you found the pairs.");
  await kim.browserContext().close();
  await page.bringToFront();
  await click(page, "button ::-p-text(Clear)");
});

it("a lesson to read opens the practice behind it", async () => {
  await page.goto(`${app.base}/desk/6-hazel/work/new?skill=ratio-language`, { waitUntil: "networkidle0" });
  const teacher = moves(page);
  await teacher.click("button ::-p-text(Add a part before)");
  await says(page, "when the part before is done");
  expect(await axeFindings(page)).toEqual([]);
  await teacher.click("button[type=submit]");
  await says(page, "2 parts: to read, practice");
  expect(teacher.count()).toBe(2);
  const lou = await asPupil(browser, app.base, slipOf(1));
  await lou.$$eval("li", (all) =>
    all
      .find((one) => one.innerText.includes("Begin"))
      ?.querySelector("a")
      ?.click(),
  );
  await says(lou, "First finish “To read”.");
  await click(lou, "a ::-p-text(Begin)");
  await click(lou, "button ::-p-text(I have read this)");
  await says(lou, "You can read it again at any time.");
  expect(await axeFindings(lou)).toEqual([]);
  await click(lou, "a ::-p-text(What comes next in this work)");
  await click(lou, "a ::-p-text(Begin)");
  await lou.waitForSelector("form[data-presentation]");
  await lou.browserContext().close();
});

it("the code on a sheet, held to the camera, leads to its student's row", async () => {
  const workId = await givePractice(app.school, classId, studentIds, {
    kind: "paper",
    title: "On paper",
    skillIds: ["ratio-language", "unit-rates"],
    items: 2,
    picked: items,
  });
  const film = join(app.school.file, "..", `sheet-${workId}.y4m`);
  filmOfCard(film, `${workId} ${studentIds[2]}`);
  const withCamera = await openBrowser(film);
  const desk = await openPage(withCamera);
  await signInTeacher(desk, app.base, "ana@school.example", PASSWORD);
  await desk.goto(`${app.base}/desk/6-hazel/work/${workId}/paper`, { waitUntil: "networkidle0" });
  expect(await desk.evaluate(() => document.activeElement?.getAttribute("data-cell"))).toBe("0-0");
  await click(desk, "button ::-p-text(Read sheets)");
  await desk.waitForFunction(() => document.activeElement?.getAttribute("data-cell") === "2-0");
  await withCamera.close();
});
