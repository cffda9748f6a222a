import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, it } from "vitest";
import { NO_SUPPORTS } from "@/core/model/supports";
import { sittings } from "@/db/schema/sittings";
import { supports } from "@/db/schema/students";
import { assignmentTargets } from "@/db/schema/work";
import type { SignInSlip } from "@/features/roster/types";
import { newSignIns } from "@/features/roster/writes/newSignIns";
import { type TestApp, testApp, writeAnswer } from "../support/app";
import { axeFindings } from "../support/axe";
import { click, fill, openBrowser, openPage, signInTeacher } from "../support/browser";
import { moves } from "../support/moves";
import { asPupil, says, textOf } from "../support/pupils";
import { makeClass, PASSWORD, START } from "../support/school";

let app: TestApp;
let browser: Browser;
let page: Page;
let slips: SignInSlip[] = [];
beforeAll(async () => {
  app = await testApp(async (school) => {
    const { studentIds } = await makeClass(school, 6, "6 Hazel");
    slips = await newSignIns(await school.teacher(), { studentIds });
    const [longer = "", leftOut = ""] = [studentIds[0], studentIds[5]];
    await school.db.write(async (tx) => {
      await tx.insert(supports).values({ id: "s1", personId: longer, ...NO_SUPPORTS, timeFactor: 1.5 });
      await tx.insert(supports).values({
        id: "s2",
        personId: leftOut,
        ...NO_SUPPORTS,
        leaveOutOfTests: true,
        leaveOutReason: "new to English",
      });
    });
  });
  browser = await openBrowser();
  page = await openPage(browser);
  await signInTeacher(page, app.base, "ana@school.example", PASSWORD);
});
afterAll(async () => {
  await browser?.close();
  await app?.close();
});

const answer = (on: Page, how: "right" | "wrong") => writeAnswer(app, on, how);

it("a test from standards, two items swapped, goes to a class minus two in five moves and a swap each", async () => {
  await page.goto(`${app.base}/desk/6-hazel/work`, { waitUntil: "networkidle0" });
  const teacher = moves(page);
  await teacher.click("a ::-p-text(Build a test)");
  await teacher.wait("Students see the score");
  await teacher.fill("input[role=combobox]", "Equivalent ratios");
  await page.keyboard.press("Enter");
  await teacher.wait("reliability");
  await page.waitForFunction(() => !document.body.innerText.includes("looking for a better form"));
  expect(await axeFindings(page)).toEqual([]);
  const lines = () => page.$$eval("ol p.font-reading", (all) => all.map((one) => (one as HTMLElement).innerText));
  const before = await lines();
  expect(before.length).toBeGreaterThan(4);
  const built = teacher.count();
  await teacher.click("button[aria-label='Swap item 1']");
  await page.waitForFunction(
    (first) => document.querySelector("ol p.font-reading")?.textContent !== first,
    {},
    before[0],
  );
  await teacher.click("button[aria-label='Swap item 2']");
  await page.waitForFunction(
    (second) => document.querySelectorAll("ol p.font-reading")[1]?.textContent !== second,
    {},
    before[1],
  );
  const swapped = teacher.count();
  const after = await lines();
  expect(after.slice(2)).toEqual(before.slice(2));
  // One is left out by their supports, with the reason; one more by hand.
  expect(await textOf(page)).toContain("left out of tests: new to English");
  const names = await page.$$eval("input[name=studentIds]", (all) =>
    all.map((one) => (one as HTMLInputElement).checked),
  );
  expect(names.filter((one) => !one)).toHaveLength(1);
  await teacher.click("label ::-p-text(Student04)");
  await teacher.click("button[type=submit]");
  await teacher.wait("4 not started");
  expect(teacher.count() - swapped + built).toBeLessThanOrEqual(5);
  expect(swapped - built).toBe(2);
  const targets = await app.school.db.read.select().from(assignmentTargets);
  expect(targets).toHaveLength(4);
});

it("an item can be looked at as it will be, held, dropped and added", async () => {
  await page.goto(`${app.base}/desk/6-hazel/work/new?kind=test&skill=equivalent-ratios`, { waitUntil: "networkidle0" });
  await says(page, "reliability");
  await page.waitForFunction(() => !document.body.innerText.includes("looking for a better form"));
  await click(page, "button[aria-label='Look at item 1']");
  await says(page, "As a student sees it");
  await page.keyboard.press("Escape");
  const count = () => page.$$eval("button[aria-label^='Drop item']", (all) => all.length);
  const was = await count();
  await click(page, "button[aria-label='Drop item 2']");
  expect(await count()).toBe(was - 1);
  await click(page, "button ::-p-text(Add an item)");
  await fill(page, "input[aria-label='Find an item to add']", "rate");
  await click(page, "ul button ::-p-text(Add)");
  await page.waitForFunction((n) => document.querySelectorAll("button[aria-label^='Drop item']").length === n, {}, was);
  // More of them than there are items: each comes again with other numbers.
  await fill(page, "input[aria-label^='Items of']", "9");
  // What was added by hand stays beside them, though it is of another standard.
  await page.waitForFunction(() => document.querySelectorAll("button[aria-label^='Drop item']").length === 10);
});

it("is taken back and forth, with more time for one, looked over, handed in, and shown when the teacher says so", async () => {
  await page.goto(`${app.base}/desk/6-hazel/work/new?kind=test&skill=equivalent-ratios`, { waitUntil: "networkidle0" });
  await says(page, "reliability");
  await click(page, "button[aria-label^='Time:']");
  await fill(page, "[data-radix-popper-content-wrapper] input", "20");
  await page.keyboard.press("Escape");
  await says(page, "1.5 times the time");
  await fill(page, "input[aria-label^='Items of']", "3");
  await page.waitForFunction(() => document.querySelectorAll("button[aria-label^='Drop item']").length === 3);
  await page.waitForFunction(() => !document.body.innerText.includes("looking for a better form"));
  await click(page, "button[type=submit]");
  await says(page, "5 not started");
  const workPage = page.url();

  const [first, second] = [await asPupil(browser, app.base, slips[0]), await asPupil(browser, app.base, slips[1])];
  for (const own of [first, second]) {
    await own.bringToFront();
    // The test of before is on the list too.
    await own.$$eval("a", (links) =>
      links
        .filter((one) => one.innerText === "Begin")
        .at(-1)
        ?.click(),
    );
    await says(own, "min left");
  }
  const ends = await app.school.db.read.select().from(sittings);
  expect(ends.map(({ endsAt }) => ((endsAt ?? 0) - START) / 60_000).sort()).toEqual([20, 30]);
  await first.bringToFront();
  expect(await axeFindings(first)).toEqual([]);
  await answer(first, "wrong");
  await click(first, "label ::-p-text(Look at this again)");
  await click(first, "button ::-p-text(Next)");
  await answer(first, "right");
  await click(first, "button[aria-label^='Item 1,']");
  await answer(first, "right");
  await click(first, "button[aria-label^='Item 3,']");
  await click(first, "button ::-p-text(Look over)");
  await says(first, "1 of 3 is blank; you wanted to look at 1 again.");
  expect(await axeFindings(first)).toEqual([]);
  // Another device: what was answered and flagged stands there too.
  const other = await asPupil(browser, app.base, slips[0]);
  await other.goto(first.url(), { waitUntil: "networkidle0" });
  expect(await other.$$eval("nav li button", (all) => all.map((one) => one.getAttribute("aria-label")))).toEqual([
    "Item 1, answered, to look at again",
    "Item 2, answered",
    "Item 3, not answered",
  ]);
  // The first one is to find out by handing in: signs would tell it, sooner or later.
  await first.evaluate(() => {
    const fetched = globalThis.fetch;
    globalThis.fetch = (...args) =>
      String(args[0]).startsWith("/api/signs") ? Promise.reject(new TypeError("cut off")) : fetched(...args);
  });
  await answer(other, "wrong");
  await click(other, "button ::-p-text(Look over)");
  await says(other, "All 3 are answered");
  await click(other, "button ::-p-text(Hand in)");
  await says(other, "Your teacher shows you how it went");
  await first.bringToFront();
  await click(first, "button ::-p-text(Hand in all the same)");
  await click(first, "button ::-p-text(Hand in)");
  await says(first, "Handed in");

  await page.bringToFront();
  await page.goto(workPage, { waitUntil: "networkidle0" });
  expect(await textOf(page)).toContain("66 %, 2 of 3 right");
  await click(page, "button ::-p-text(Show everything)");
  await says(page, "explanations.");
  await other.bringToFront();
  await other.goto(`${app.base}/river`, { waitUntil: "networkidle0" });
  await click(other, "a ::-p-text(see how it went)");
  await says(other, "2 of 3 points");
  expect(await textOf(other)).toContain("not right");
  expect(await axeFindings(other)).toEqual([]);
});

it("a whole test is done without a connection, closed and opened again on the way, and sent when it is back", async () => {
  await page.bringToFront();
  await page.goto(`${app.base}/desk/6-hazel/work/new?kind=test&skill=equivalent-ratios`, { waitUntil: "networkidle0" });
  await says(page, "reliability");
  await fill(page, "input[aria-label^='Items of']", "3");
  await page.waitForFunction(() => document.querySelectorAll("button[aria-label^='Drop item']").length === 3);
  await page.waitForFunction(() => !document.body.innerText.includes("looking for a better form"));
  await fill(page, "input[name=title]", "On the way");
  await click(page, "button[type=submit]");
  await says(page, "5 not started");
  const own = await asPupil(browser, app.base, slips[2]);
  await own.bringToFront();
  // The page that keeps pages takes over once it is loaded; from then on what is opened is kept.
  await own.evaluate(() => navigator.serviceWorker.ready.then(() => true));
  await own.reload({ waitUntil: "networkidle0" });
  await own.$$eval("li", (all) => {
    const item = all.find((one) => one.innerText.includes("On the way"));
    item?.querySelector("a")?.click();
  });
  await own.waitForSelector("nav[aria-label='Items of this test']");
  await own.reload({ waitUntil: "networkidle0" });
  await own.waitForFunction(() => navigator.serviceWorker.controller !== null);
  const client = await own.createCDPSession();
  const offline = (is: boolean) =>
    client.send("Network.emulateNetworkConditions", {
      offline: is,
      latency: 0,
      downloadThroughput: -1,
      uploadThroughput: -1,
    });
  await app.kill();
  await offline(true);
  await answer(own, "right");
  await click(own, "button ::-p-text(Next)");
  await says(own, "Not sent yet");
  await own.reload({ waitUntil: "domcontentloaded" });
  await own.waitForFunction(() => document.querySelectorAll("nav button[aria-label*=', answered']").length === 1);
  await click(own, "button[aria-label^='Item 2,']");
  await answer(own, "right");
  await click(own, "button ::-p-text(Next)");
  await answer(own, "wrong");
  await click(own, "button ::-p-text(Look over)");
  await says(own, "All 3 are answered");
  await click(own, "button ::-p-text(Hand in)");
  await says(own, "Handed in on this device");
  await app.start();
  await offline(false);
  await says(own, "Thank you");
  const rows = await app.school.db.read.select().from(sittings);
  expect(rows.at(-1)).toMatchObject({ finishReason: "handed-in", itemsRight: 2, itemsDone: 3 });
  const log = await app.school.db.read.query.answers.findMany();
  expect(log.filter(({ witness }) => witness === "device").length).toBeGreaterThan(0);
});
