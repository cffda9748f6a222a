import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, it } from "vitest";
import { type TestApp, testApp } from "../support/app";
import { choose, click, fill, openBrowser, openPage, signInTeacher } from "../support/browser";
import { makeClass, PASSWORD } from "../support/school";

let app: TestApp;
let browser: Browser;
let page: Page;
beforeAll(async () => {
  app = await testApp(async (school) => void (await makeClass(school, 2)));
  browser = await openBrowser();
  page = await openPage(browser);
  await signInTeacher(page, app.base, "ana@school.example", PASSWORD);
});
afterAll(async () => {
  await browser?.close();
  await app?.close();
});

const codes = () =>
  page.$$eval("main li span:first-child", (all) => all.flatMap((one) => one.innerText.match(/^WV .*/) ?? []));
const shows = (wanted: readonly string[]) =>
  page.waitForFunction(
    (list) => {
      const found = [...document.querySelectorAll<HTMLElement>("main li div > span:first-child")].map(
        (one) => one.innerText,
      );
      return found.join("|") === list.join("|");
    },
    {},
    wanted,
  );

it("finds standards by words, by grade and by a pasted list of codes, and goes on to a skill", async () => {
  await page.goto(`${app.base}/desk/all/library`, { waitUntil: "networkidle0" });
  await click(page, "a ::-p-text(Standards)");
  await page.waitForSelector("textarea");
  expect((await codes()).length).toBeGreaterThan(10);
  await fill(page, "textarea", "proportionality constant");
  await shows(["WV R", "WV 7.R2"]);
  await fill(page, "textarea", "WV 4.R1\nwv 5r2, WV 99");
  await shows(["WV R", "WV 4.R1", "WV 5.R2"]);
  await page.waitForSelector("[role=status] ::-p-text(WV 99)");
  // What is found stands in the address, to come back to and to pass on.
  await page.waitForFunction(() => new URL(location.href).searchParams.get("find")?.includes("WV 99"));
  await fill(page, "textarea", "nothing says this");
  await click(page, "button ::-p-text(Show all)");
  await choose(page, "select[aria-label=Grade]", "7");
  await page.waitForFunction(() => document.querySelector("main [aria-live]")?.textContent?.startsWith("3 of "));
  await choose(page, "select[aria-label=Grade]", "");
  await click(page, "a ::-p-text(Equivalent ratios)");
  await page.waitForFunction(() => location.pathname.endsWith("/library/equivalent-ratios"));
});

it("saves the framework as a standards file", async () => {
  await page.goto(`${app.base}/desk/all/library/standards`, { waitUntil: "networkidle0" });
  const href = await page.$eval("a[download]", (link) => (link as HTMLAnchorElement).href);
  const file = await page.evaluate(async (address) => {
    const reply = await fetch(address);
    const { CFDocument, CFItems } = (await reply.json()) as { CFDocument: { title: string }; CFItems: unknown[] };
    return { disposition: reply.headers.get("content-disposition"), title: CFDocument.title, items: CFItems.length };
  }, href);
  expect(file).toMatchObject({ title: "Weir Valley Learning Standards", items: 13 });
  expect(file.disposition).toContain("weir-valley-learning-standards.json");
});
