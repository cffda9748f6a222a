import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, it } from "vitest";
import { setSecret } from "@/db/queries/credentials";
import { hashSecret } from "@/server/access/secrets";
import { type TestApp, testApp } from "../support/app";
import { openBrowser, openPage, pressPair, signInTeacher } from "../support/browser";
import { give, givePractice, makeClass, open, PASSWORD } from "../support/school";

let app: TestApp;
let browser: Browser;
let page: Page;
beforeAll(async () => {
  app = await testApp(async (school) => {
    const { classId, studentIds } = await makeClass(school, 4);
    const workId = await givePractice(school, classId, studentIds);
    await makeClass(school, 90, "4 Long", "ben", 4);
    const secret = await hashSecret(PASSWORD);
    await school.db.write((tx) => setSecret(tx, "ben", secret, "password"));
    for (const id of studentIds) {
      let view = await open(school, id, workId);
      for (let n = 0; n < 4 && view.current; n++) view = (await give(school, id, view, "wrong")).sitting;
    }
  });
  browser = await openBrowser();
  page = await openPage(browser);
  await signInTeacher(page, app.base, "ana@school.example", PASSWORD);
});
afterAll(async () => {
  await browser?.close();
  await app?.close();
});

const wait = (words: string) => page.waitForFunction((wanted) => document.body.innerText.includes(wanted), {}, words);
const at = (path: string) => page.waitForFunction((wanted) => location.pathname === wanted, {}, path);

it("goes round the stations, the map and the pull list without a mouse", async () => {
  await page.keyboard.press("4");
  await at("/desk/all/evidence");
  await wait("Who has mastered what");
  await page.focus("[data-cell='0.0']");
  for (const key of ["ArrowDown", "ArrowRight", "ArrowRight", "p"] as const) await page.keyboard.press(key);
  expect(await page.evaluate(() => (document.activeElement as HTMLElement).dataset.cell)).toBe("1.2");
  await wait("Pull list, 1");
  await page.keyboard.press("Enter");
  await wait("Ratio tables");
  await page.keyboard.press("p");
  await page.waitForFunction(() => !document.body.innerText.includes("Pull list,"));
  await page.keyboard.press("s");
  await wait("Worth doing first");
  await page.keyboard.press("Escape");
  await page.waitForFunction(() => !document.querySelector("[role=dialog]"));
  expect(await page.evaluate(() => new URL(location.href).searchParams.get("cell"))).toMatch(/ratio-tables$/);
});

it("finds a student through the palette and opens the sheet", async () => {
  await page.keyboard.press("/");
  await page.waitForSelector("[cmdk-input]");
  await page.waitForSelector("[cmdk-item] ::-p-text(Student02)");
  await page.keyboard.type("Student02");
  await page.keyboard.press("Enter");
  await wait("What went wrong most");
  expect(await page.$eval("[role=dialog] h2", (heading) => heading.innerText)).toContain("Student02");
  await page.keyboard.press("Escape");
});

it("undoes a change from the history, and lists the keys", async () => {
  await page.waitForFunction(() => !document.querySelector("[role=dialog]"));
  await pressPair(page, "g", "h");
  await at("/desk/all/history");
  await wait("Imported class.csv");
  await page.focus("tr:last-child button");
  await page.keyboard.press("Enter");
  await wait("answers are kept");
  await page.keyboard.press("?");
  await wait("Keyboard shortcuts");
});

it("covers names for the wall, in sentences too, and shows them again", async () => {
  const covered = () =>
    page.evaluate(() =>
      [...((CSS.highlights.get("covered-names") as unknown as Iterable<Range>) ?? [])].map((range) => range.toString()),
    );
  await page.goto(`${app.base}/desk/all/history`, { waitUntil: "networkidle0" });
  await wait("Imported");
  await pressPair(page, "g", "p");
  await page.waitForFunction(() => document.documentElement.dataset.covered === "all");
  await page.goto(`${app.base}/desk/all`, { waitUntil: "networkidle0" });
  // It holds for the tab, and names stand in Today's sentences.
  await page.waitForFunction(() => document.documentElement.dataset.covered === "all");
  await wait("Student00");
  const names = await covered();
  const shown = await page.$eval("main", (main) => main.innerText.match(/Student\d\d/g) ?? []);
  expect(names.filter((name) => name.startsWith("Student")).length).toBeGreaterThanOrEqual(shown.length);
  expect(shown.length).toBeGreaterThan(0);
  // The same tab may be a student's next.
  const door = await openPage(await browser.createBrowserContext());
  await door.evaluateOnNewDocument(() => sessionStorage.setItem("oxbow.projector", "on"));
  await door.goto(`${app.base}/sign-in`);
  await door.waitForSelector("main #code", { visible: true });
  await door.browserContext().close();
  await pressPair(page, "g", "p");
  await page.waitForFunction(() => document.documentElement.dataset.covered === undefined);
  expect(await covered()).toEqual([]);
});

it("draws only what is in view of a long roster, goes through it by keys, and prints all of it", async () => {
  const own = await openPage(await browser.createBrowserContext());
  await signInTeacher(own, app.base, "ben@school.example", PASSWORD);
  await own.goto(`${app.base}/desk/4-long/roster`, { waitUntil: "networkidle0" });
  const drawn = () => own.$$eval("tr[data-student]", (rows) => rows.length);
  expect(await drawn()).toBeLessThan(60);
  await own.focus("section[aria-label^='Students']");
  await own.keyboard.press("End");
  await own.waitForSelector("tr ::-p-text(Student89)");
  await own.keyboard.press("x");
  await own.waitForFunction(() => document.body.innerText.includes("1 selected"));
  await own.emulateMediaType("print");
  await own.waitForFunction(() => document.querySelectorAll("tr[data-student]").length === 90);
  await own.emulateMediaType("screen");
  await own.waitForFunction(() => document.querySelectorAll("tr[data-student]").length < 60);
  await own.browserContext().close();
});
