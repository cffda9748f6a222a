import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, it } from "vitest";
import { assignmentTargets } from "@/db/schema/work";
import type { SignInSlip } from "@/features/roster/types";
import { newSignIns } from "@/features/roster/writes/newSignIns";
import { type TestApp, testApp, workThrough, writeAnswer } from "../support/app";
import { axeFindings } from "../support/axe";
import { click, openBrowser, openPage, signInPupil, signInTeacher } from "../support/browser";
import { moves } from "../support/moves";
import { says } from "../support/pupils";
import { give, givePractice, makeClass, open, PASSWORD } from "../support/school";

let app: TestApp;
let browser: Browser;
let page: Page;
let slips: SignInSlip[] = [];
beforeAll(async () => {
  app = await testApp(async (school) => {
    const { classId, studentIds } = await makeClass(school, 5, "6 Hazel");
    slips = await newSignIns(await school.teacher(), { studentIds });
    // The first has mastered equivalent ratios, the second has open work on them.
    const work = await givePractice(school, classId, [studentIds[0] ?? ""], { items: 20 });
    let view = await open(school, studentIds[0] ?? "", work);
    while (view.finished === null) view = (await give(school, studentIds[0] ?? "", view, "right")).sitting;
    await givePractice(school, classId, [studentIds[1] ?? ""], { title: "Given before" });
  });
  browser = await openBrowser();
  page = await openPage(browser);
  await signInTeacher(page, app.base, "ana@school.example", PASSWORD);
});
afterAll(async () => {
  await browser?.close();
  await app?.close();
});

it("everyone below Secure gets work from the map itself, in three moves, corrected by hand where need be", async () => {
  await page.goto(`${app.base}/desk/6-hazel/evidence`, { waitUntil: "networkidle0" });
  const teacher = moves(page);
  await teacher.click("thead button ::-p-text(Equivalent ratios)");
  await teacher.click("button ::-p-text(Assign from here)");
  await teacher.wait("Assign practice to 3");
  expect(await axeFindings(page)).toEqual([]);
  const before = (await app.school.db.read.select().from(assignmentTargets)).length;
  await teacher.click("button ::-p-text(Assign practice to 3)");
  await teacher.wait("Assigned practice to 3 students.");
  expect(teacher.count()).toBeLessThanOrEqual(3);
  expect((await app.school.db.read.select().from(assignmentTargets)).length).toBe(before + 3);

  // Whoever has open work on it is shown with it, and a cell takes somebody out.
  await page.click("button ::-p-text(Assign from here)");
  await teacher.wait("Nobody is meant by this");
  await teacher.click("button[aria-label^='Work:']");
  await teacher.click("label ::-p-text(with or without)");
  await page.keyboard.press("Escape");
  await teacher.wait("Assign practice to 4");
  expect(await page.evaluate(() => document.body.innerText)).toContain("(open: Given before)");
  await teacher.click("td button[aria-pressed=true]");
  await teacher.wait("Assign practice to 3");
  // Everything that one student needs, by the arrow beside the name.
  await teacher.click("button[aria-label^='Mark all that Student04']");
  await teacher.wait("Student04");
});

it("a test before and after, with practice between, is set in eight moves or fewer, and walked by a student", async () => {
  await page.goto(`${app.base}/desk/6-hazel/work`, { waitUntil: "networkidle0" });
  const teacher = moves(page);
  await teacher.click("a ::-p-text(Build a test)");
  await teacher.click("label ::-p-text(Before and after)");
  await teacher.fill("input[role=combobox]", "Ratio language");
  await page.keyboard.press("Enter");
  await page.waitForFunction(() => document.querySelectorAll("button[aria-label^='Drop item']").length > 0);
  await page.waitForFunction(() => !document.body.innerText.includes("looking for a better form"));
  await teacher.wait("The cut is 80 %");
  expect(await axeFindings(page)).toEqual([]);
  await teacher.click("button[type=submit]");
  await teacher.wait("5 not started");
  expect(teacher.count()).toBeLessThanOrEqual(8);
  expect(await page.evaluate(() => document.body.innerText)).toContain(
    "3 parts: before, work on what was missed, after",
  );

  const slip = slips[4];
  if (!slip) throw new Error("no student");
  const pupil = await openPage(await browser.createBrowserContext(), 820, 1180);
  await signInPupil(pupil, app.base, slip);
  await pupil.bringToFront();
  await pupil.$$eval("a", (links) =>
    links
      .filter((one) => one.innerText === "Begin")
      .at(-1)
      ?.click(),
  );
  await pupil.waitForFunction(() => document.body.innerText.includes("First finish “Before”."));
  expect(await axeFindings(pupil)).toEqual([]);
  await click(pupil, "a ::-p-text(Begin)");
  await takeTest(pupil, "wrong");
  // Below the cut the practice opens, and after it the second form.
  await click(pupil, "a ::-p-text(What comes next in this work)");
  await click(pupil, "a ::-p-text(Begin)");
  await workThrough(app, pupil, "right");
  await click(pupil, "a ::-p-text(What comes next in this work)");
  await click(pupil, "a ::-p-text(Begin)");
  await takeTest(pupil, "right");
  await click(pupil, "a ::-p-text(What comes next in this work)");
  await says(pupil, "You are through with all of it.");
  await page.bringToFront();
  await page.reload({ waitUntil: "networkidle0" });
  await says(page, "1 has both: 0 % before, 100 % after, a gain of +100 points");
  expect(await axeFindings(page)).toEqual([]);
});

/** Goes through a test from its first item to its last and hands it in. */
async function takeTest(pupil: Page, how: "right" | "wrong"): Promise<void> {
  await pupil.waitForSelector("nav[aria-label='Items of this test']");
  const items = await pupil.$$eval("nav[aria-label='Items of this test'] li button", (all) => all.length);
  for (let n = 1; n <= items; n++) {
    await writeAnswer(app, pupil, how);
    await click(pupil, `form button[type=submit] ::-p-text(${n === items ? "Look over" : "Next"})`);
  }
  await says(pupil, `All ${items} are answered`);
  await click(pupil, "button ::-p-text(Hand in)");
  await says(pupil, "Your teacher shows you how it went");
}
