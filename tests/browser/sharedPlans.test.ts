import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, it } from "vitest";
import { setSecret } from "@/db/queries/credentials";
import { hashSecret } from "@/server/access/secrets";
import { type TestApp, testApp } from "../support/app";
import { axeFindings } from "../support/axe";
import { choose, click, fill, openBrowser, openPage, signInTeacher } from "../support/browser";
import { showsSlots } from "../support/planPage";
import { makeClass, PASSWORD } from "../support/school";

let app: TestApp;
let browser: Browser;
let ana: Page;
let cora: Page;
beforeAll(async () => {
  app = await testApp(async (school) => {
    await makeClass(school, 2, "6 Hazel");
    const secret = await hashSecret(PASSWORD);
    for (const who of ["ana", "cora"]) await school.db.write((tx) => setSecret(tx, who, secret, "password"));
  });
  browser = await openBrowser();
  ana = await openPage(browser);
  await signInTeacher(ana, app.base, "ana@school.example", PASSWORD);
  cora = await openPage(await browser.createBrowserContext());
  await signInTeacher(cora, app.base, "cora@school.example", PASSWORD);
});
afterAll(async () => {
  await browser?.close();
  await app?.close();
});

const wait = (page: Page, words: string) =>
  page.waitForFunction((text) => document.body.innerText.includes(text), {}, words);
const visit = (page: Page, path: string) => page.goto(`${app.base}/desk/${path}`, { waitUntil: "networkidle0" });
const [RATIOS, RATES] = ["Ratios", "Rates and percents"];

it("a coordinator's plan is copied and changed by a teacher, who takes a later change over and leaves another", async () => {
  // The school's plan.
  await cora.bringToFront();
  await visit(cora, "school/plan/plans");
  await fill(cora, "form input", "Our grade 6");
  await choose(cora, "form select", "year mathematics 6");
  await choose(cora, "form label:nth-of-type(3) select", "school");
  await click(cora, "form button[type=submit]");
  await wait(cora, "Who changed what");
  await showsSlots(cora, [RATIOS, RATES]);
  const schoolPlan = cora.url();

  // Ana's copy, with a slot moved by keys and a line put in.
  await ana.bringToFront();
  await visit(ana, "6-hazel/plan/plans");
  expect(await axeFindings(ana)).toEqual([]);
  await click(ana, "main a ::-p-text(Our grade 6)");
  await click(ana, "button ::-p-text(Make a copy of my own)");
  await wait(ana, "Our grade 6, my copy");
  await wait(ana, "Who may use it");
  await ana.focus(`button[data-slot="${RATES}"]`);
  await ana.keyboard.press("ArrowUp");
  await showsSlots(ana, [RATES, RATIOS]);
  const copy = ana.url();

  // Later changes of the original.
  await cora.bringToFront();
  await click(cora, `button[aria-label="${RATIOS}: one lesson more"]`);
  await wait(cora, `“${RATIOS}”: 21 lessons.`);
  await click(cora, "button ::-p-text(Put something in)");
  await click(cora, "[role=dialog] label ::-p-text(a test)");
  const test = await cora.$$eval(
    "[role=dialog] select[aria-label=Test] option",
    (options) => (options.find((one) => one.textContent?.includes("End of Ratios")) as HTMLOptionElement).value,
  );
  await choose(cora, "[role=dialog] select[aria-label=Test]", test);
  await choose(cora, "[role=dialog] select[aria-label=Where]", "1");
  await click(cora, "[role=dialog] button ::-p-text(Put it in)");
  await showsSlots(cora, [RATIOS, "End of Ratios", RATES]);

  await ana.bringToFront();
  await ana.goto(copy, { waitUntil: "networkidle0" });
  await wait(ana, "21 lessons there, 20 lessons here.");
  expect(await axeFindings(ana)).toEqual([]);
  await click(ana, `button[aria-label="Leave as it is here: ${RATIOS}"]`);
  await ana.waitForFunction(() => !document.body.innerText.includes("21 lessons there"));
  await click(ana, "button[aria-label='Take over: End of Ratios']");
  await showsSlots(ana, [RATES, RATIOS, "End of Ratios"]);
  await ana.waitForFunction(() => !document.body.innerText.includes("which changed since"));

  // The class is given the school's plan, and knows its later changes too.
  await visit(ana, "6-hazel/plan");
  await click(ana, "button ::-p-text(Choose a plan)");
  const id = schoolPlan.split("/").at(-1) ?? "";
  await choose(ana, "[role=dialog] select[aria-label=Plan]", id);
  await click(ana, "[role=dialog] button ::-p-text(Make it the plan)");
  await wait(ana, "“Our grade 6” is the plan of 6 Hazel.");
  await showsSlots(ana, [RATIOS, "End of Ratios", RATES]);
  await click(ana, "ol[aria-label=Slots] button ::-p-text(End of Ratios)");
  await ana.waitForSelector("aside a ::-p-text(Give the test)");
  await cora.bringToFront();
  await click(cora, `button[aria-label="${RATES}: more"]`);
  await click(cora, "[role=menuitem] ::-p-text(Take it out)");
  await showsSlots(cora, [RATIOS, "End of Ratios"]);
  await ana.bringToFront();
  await visit(ana, "6-hazel/plan");
  await wait(ana, "taken out there.");
  await click(ana, `button[aria-label="Take over: ${RATES}"]`);
  await showsSlots(ana, [RATIOS, "End of Ratios"]);
  await click(ana, "[data-sonner-toast] button ::-p-text(Undo)");
  await showsSlots(ana, [RATIOS, "End of Ratios", RATES]);

  // A day of its own, set by hand.
  await click(ana, `ol[aria-label=Slots] button ::-p-text(${RATES})`);
  await click(ana, "aside summary ::-p-text(Days of its own)");
  await ana.$eval(
    "aside input[type=date]",
    (input, day) => {
      const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")?.set;
      set?.call(input, day);
      input.dispatchEvent(new Event("input", { bubbles: true }));
    },
    "2026-12-14",
  );
  await click(ana, "aside form button[type=submit]");
  await wait(ana, "14 Dec to");
  await wait(ana, "waits for its day");
});
