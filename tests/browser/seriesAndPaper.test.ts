import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, it } from "vitest";
import { holidays } from "@/db/schema/people";
import { assignments, assignmentTargets } from "@/db/schema/work";
import { handIn } from "@/features/delivery/writes/handIn";
import { openSitting } from "@/features/delivery/writes/openSitting";
import { makeBank } from "@/features/library/writes/banks";
import { putIntoUse, saveDraft } from "@/features/library/writes/drafts";
import type { SignInSlip } from "@/features/roster/types";
import { newSignIns } from "@/features/roster/writes/newSignIns";
import { logOf, type TestApp, testApp, workThrough } from "../support/app";
import { axeFindings } from "../support/axe";
import { click, fill, openBrowser, openPage, signInTeacher } from "../support/browser";
import { moves } from "../support/moves";
import { bodyWith } from "../support/newItem";
import { asPupil, beginWork, says, textOf } from "../support/pupils";
import { give, givePractice, makeClass, PASSWORD, START } from "../support/school";

const DAY = 86_400_000;
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
    await school.db.write((tx) =>
      tx.insert(holidays).values({ id: "flood", schoolId: school.schoolId, day: "2026-11-30", name: "Flood" }),
    );
  });
  browser = await openBrowser();
  page = await openPage(browser);
  await signInTeacher(page, app.base, "ana@school.example", PASSWORD);
});
afterAll(async () => {
  await browser?.close();
  await app?.close();
});

it("a test on paper is typed in cell by cell, as far as it was read, by the keyboard alone", async () => {
  await page.goto(`${app.base}/desk/6-hazel/work/new?kind=test&skill=equivalent-ratios`, { waitUntil: "networkidle0" });
  await says(page, "reliability");
  await page.waitForFunction(() => !document.body.innerText.includes("looking for a better form"));
  await fill(page, "input[aria-label^='Items of']", "3");
  await page.waitForFunction(() => document.querySelectorAll("button[aria-label^='Drop item']").length === 3);
  await page.waitForFunction(() => !document.body.innerText.includes("looking for a better form"));
  await click(page, "button ::-p-text(on the screen)");
  await click(page, "button[type=submit]");
  await says(page, "Type in results");
  const workPage = page.url();
  await click(page, "a ::-p-text(Print the sheets)");
  await page.waitForSelector("article[data-sheet]");
  expect(await page.$$eval("article[data-sheet]", (all) => all.length)).toBe(3);
  await page.goto(`${workPage}/paper`, { waitUntil: "networkidle0" });
  await page.waitForSelector("input[data-cell='0-0']");
  expect(await axeFindings(page)).toEqual([]);
  // The first cell has the cursor; Enter goes down the column, Tab along the row.
  await page.keyboard.type("1");
  await page.keyboard.press("Enter");
  await page.keyboard.type("0,5");
  await page.keyboard.press("Tab");
  await page.keyboard.type("0");
  await page.keyboard.press("Tab");
  await page.keyboard.type("7");
  expect(await page.$eval("input[data-cell='1-2']", (cell) => cell.getAttribute("aria-invalid"))).toBe("true");
  await page.keyboard.press("Backspace");
  await page.keyboard.type("1");
  // On to the next row, who was absent; the first has full points for the rest.
  await page.keyboard.press("Tab");
  await page.keyboard.type("a");
  await click(page, "tbody tr:first-child button ::-p-text(Rest full points)");
  await says(page, "Saved; 2 of 3 whole");
  // What was saved has not moved the cursor to where it began.
  expect(await page.evaluate(() => document.activeElement?.getAttribute("data-cell"))).not.toBe("0-0");
  expect(await textOf(page)).toContain("3 of 3, 100 %");
  expect(await textOf(page)).toContain("1.5 of 3, 50 %");
  await page.reload({ waitUntil: "networkidle0" });
  expect(await page.$$eval("input[data-cell]", (all) => all.map((one) => (one as HTMLInputElement).value))).toEqual([
    "1",
    "1",
    "1",
    "0.5",
    "0",
    "1",
    "",
    "",
    "",
  ]);
  expect((await logOf(app)).length).toBe(6);
  await page.goto(workPage, { waitUntil: "networkidle0" });
  await says(page, "100 %, 3 of 3 right");
  expect(await textOf(page)).toContain("50 %, 1 of 3 right");
  expect(await textOf(page)).toContain("absent");
});

it("an item that was wrong is left out, says whose marks that changed, and is put back by undo", async () => {
  await page.goto(`${app.base}/desk/6-hazel/work`, { waitUntil: "networkidle0" });
  await click(page, "a ::-p-text(Test: Equivalent ratios)");
  await says(page, "50 %, 1 of 3 right");
  await click(page, "a ::-p-text(Items)");
  await says(page, "its items");
  expect(await axeFindings(page)).toEqual([]);
  const teacher = moves(page);
  await teacher.click("button[aria-label='Leave out item 2']");
  await teacher.click("button ::-p-text(Leave it out for all)");
  await teacher.wait("What this changed");
  expect(teacher.count()).toBe(2);
  // Half a point and a whole one of two, where it was one and a half of three.
  await says(page, "Student01 O: 50 % to 75 %");
  await says(page, "left out");
  await click(page, "[data-sonner-toast] button ::-p-text(Undo)");
  await page.waitForFunction(() => document.querySelectorAll("button[aria-label^='Leave out item']").length === 3);
  await click(page, "a ::-p-text(To the work)");
  await says(page, "50 %, 1 of 3 right");
});

it("answers to an item whose key was mended are judged anew, and the page says whose marks that changed", async () => {
  const teacher = () => app.school.teacher();
  const [bankId, itemId] = [app.school.runtime.newId(), app.school.runtime.newId()];
  const publish = async (answer: string) => {
    const body = bodyWith({ id: "a", kind: "number", answer, right: `x == ${answer}`, misconceptions: [] });
    const draft = { itemId, bankId, revision: 0, body, skillIds: ["ratio-language"] };
    const { revision } = await saveDraft(await teacher(), draft);
    await putIntoUse(await teacher(), { itemId, revision });
  };
  await makeBank(await teacher(), { id: bankId, name: "Mine" });
  await publish("n + 1");
  const workId = await givePractice(app.school, classId, studentIds.slice(0, 1), {
    kind: "quiz",
    title: "Own key",
    skillIds: ["ratio-language"],
    items: 2,
    settings: { goBack: true },
    picked: [
      { itemId, skillId: "ratio-language", seed: 3 },
      { itemId: "ratio-language/fraction-of-all", skillId: "ratio-language", seed: 4 },
    ],
  });
  const own = app.school.student(studentIds[0] ?? "");
  const view = await openSitting(own, workId);
  for (const { presentationId } of view.whole?.items ?? [])
    await give(app.school, studentIds[0] ?? "", view, "right", { presentationId });
  await handIn(own, { sittingId: view.sittingId });
  await publish("n + 2");
  // What another process wrote is read by a fresh one.
  await app.kill();
  await app.start(START);
  await page.goto(`${app.base}/desk/6-hazel/work/${workId}/items`, { waitUntil: "networkidle0" });
  await click(page, "button ::-p-text(Judge by its present key)");
  await says(page, "Student00 O: 100 % to 50 %");
});

it("a series over three weeks with a day off comes by itself on its days, and shows how it went", async () => {
  await page.goto(`${app.base}/desk/6-hazel/work/new?skill=ratio-language`, { waitUntil: "networkidle0" });
  const teacher = moves(page);
  await teacher.click("label ::-p-text(A number of items)");
  await teacher.click("label ::-p-text(again and again)");
  await teacher.click("button[aria-label^='Weekdays:']");
  for (const day of ["Tue", "Thu", "Fri"]) await teacher.click(`label ::-p-text(${day})`);
  await page.keyboard.press("Escape");
  await teacher.click("button[aria-label^='Days without school:']");
  await teacher.click("label ::-p-text(on the next school day of the week)");
  await page.keyboard.press("Escape");
  await teacher.click("button[aria-label^='Last day:']");
  await page.$eval("input[aria-label='Last day']", (field) => {
    // A browser's own control for days is not typed into: its value is set as that control does.
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")?.set?.call(field, "2026-12-11");
    field.dispatchEvent(new Event("input", { bubbles: true }));
  });
  await page.keyboard.press("Escape");
  await says(page, "6 pieces: 23 Nov, 25 Nov, 1 Dec, 2 Dec and so on. 1 Dec instead of 30 Nov.");
  expect(await axeFindings(page)).toEqual([]);
  await fill(page, "input[name=title]", "Warm-up");
  await teacher.click("button[type=submit]");
  await says(page, "Again and again");
  await says(page, "Monday and Wednesday, every week; next on 25 Nov 2026");
  const own = await asPupil(browser, app.base, slips[0]);
  await beginWork(own, "Warm-up, 23 Nov");
  await workThrough(app, own, "right");
  await own.close();
  const given = async () =>
    (await app.school.db.read.select().from(assignments)).flatMap(({ seriesDay }) => seriesDay ?? []).sort();
  for (const days of [1, 2, 3, 7, 8, 9]) {
    await app.kill();
    await app.start(START + days * DAY);
    const wanted = ["2026-11-23", "2026-11-25", "2026-12-01", "2026-12-02"].filter(
      (day) => Date.parse(day) <= START + days * DAY,
    );
    for (let n = 0; n < 100 && (await given()).length < wanted.length; n++)
      await new Promise((resolve) => setTimeout(resolve, 100));
    expect(await given()).toEqual(wanted);
  }
  await signInTeacher(page, app.base, "ana@school.example", PASSWORD);
  await page.goto(`${app.base}/desk/6-hazel/work`, { waitUntil: "networkidle0" });
  await click(page, "a ::-p-text(Warm-up)");
  await says(page, "Right at the first try");
  await says(page, "5 of 5");
  expect(await axeFindings(page)).toEqual([]);
  await click(page, "button ::-p-text(End the series)");
  await says(page, "Ended; it gives nothing more.");
  const pieces = (await app.school.db.read.select().from(assignments)).filter(({ seriesId }) => seriesId !== null);
  const targets = await app.school.db.read.select().from(assignmentTargets);
  expect(targets.filter(({ assignmentId }) => pieces.some(({ id }) => id === assignmentId))).toHaveLength(4 * 3);
});
