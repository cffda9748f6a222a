import { resolve } from "node:path";
import type { Browser, ElementHandle, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, it } from "vitest";
import { answerOnPage, goOn, logOf, type TestApp, testApp, workThrough } from "../support/app";
import { byText, click, fill, openBrowser, openPage, signInPupil, signInTeacher } from "../support/browser";
import { PASSWORD } from "../support/school";

let app: TestApp;
let browser: Browser;
beforeAll(async () => {
  app = await testApp();
  browser = await openBrowser();
});
afterAll(async () => {
  await browser?.close();
  await app?.close();
});

const text = (page: Page) => page.$eval("body", (body) => body.innerText);
const wait = (page: Page, words: string) =>
  page.waitForFunction((wanted) => document.body.innerText.includes(wanted), {}, words);

it("walks the whole loop: roster file, practice, two students, evidence, group, reteach, check, before and after", async () => {
  const teacher = await openPage(browser);
  await signInTeacher(teacher, app.base, "ana@school.example", PASSWORD);
  expect(await text(teacher)).toContain("No students yet");

  // Roster: a file becomes a class, after a look at what would change.
  await teacher.goto(`${app.base}/desk/all/roster/import`);
  await teacher.select("select[name=target]", "new");
  await fill(teacher, "input[name=newClassName]", "6 Hazel");
  const file = (await teacher.waitForSelector("input[type=file]")) as ElementHandle<HTMLInputElement>;
  await file.uploadFile(resolve("examples/6-hazel-clean.csv"));
  await click(teacher, "button ::-p-text(Show what would change)");
  await wait(teacher, "Nothing has changed yet.");
  await wait(teacher, "What would change");
  // A class, and for each of 26 students a person and an enrollment.
  await click(teacher, "button ::-p-text(Apply 53 changes)");
  await wait(teacher, "26 students have no PIN");
  await click(teacher, "button ::-p-text(Make PINs or cards)");
  await wait(teacher, "A card too");
  await click(teacher, "[role=dialog] input[type=checkbox]");
  await click(teacher, "[role=dialog] button ::-p-text(Make PINs)");
  await wait(teacher, "Print the slips");
  const slips = await teacher.$$eval("li:has(dl)", (cards) =>
    cards.map((card) => ({
      name: card.querySelector("p")?.innerText ?? "",
      code: card.querySelectorAll("dd")[0]?.innerText ?? "",
      pin: card.querySelectorAll("dd")[1]?.innerText ?? "",
    })),
  );
  expect(slips).toHaveLength(26);
  await click(teacher, "button ::-p-text(Done)");

  // Work: practice for the class, minus one.
  await teacher.goto(`${app.base}/desk/6-hazel/work/new?skill=equivalent-ratios`);
  await click(teacher, "label ::-p-text(Zoran M)");
  await fill(teacher, "textarea", "Take your time.");
  await click(teacher, "button ::-p-text(Assign to 25 in 6 Hazel)");
  await wait(teacher, "25 not started");
  expect(await text(teacher)).toContain("left out: Zoran M");

  // Two students, each in a browser of their own; both add instead of scaling.
  const pupils = [slips[0], slips[1]] as const;
  const pages: Page[] = [];
  for (const pupil of pupils) {
    const page = await openPage(await browser.createBrowserContext(), 820, 1180);
    await signInPupil(page, app.base, pupil as { name: string; code: string; pin: string });
    await click(page, "a ::-p-text(Begin)");
    if (pupil === pupils[0]) await threeHints(page);
    const first = await answerOnPage(app, page, "wrong");
    await wait(page, "one more try");
    await page.reload();
    await wait(page, "one more try");
    expect(await page.$eval("form", (form) => form.dataset.presentation)).toBe(first);
    await answerOnPage(app, page, "wrong");
    await wait(page, "Here is how it goes");
    await click(page, "button ::-p-text(Show me how this works)");
    await wait(page, "A mixture stays the same");
    await page.keyboard.press("Escape");
    await goOn(page);
    await workThrough(app, page, "wrong");
    await wait(page, "Done for now");
    pages.push(page);
  }
  // Two students, 16 items each: as many as work has unless the teacher says otherwise.
  expect((await logOf(app)).filter(({ tryNumber }) => tryNumber === 1)).toHaveLength(32);

  // Evidence: the map names the mistake and who made it; the answers stand behind the cell.
  await teacher.goto(`${app.base}/desk/6-hazel/evidence?skill=equivalent-ratios`);
  await wait(teacher, "Added instead of scaled");
  await click(teacher, `button[aria-label^="${pupils[0]?.name.split(" ")[0]}"][aria-label*="Equivalent ratios"]`);
  await wait(teacher, "second try");
  await wait(teacher, "3 hints");
  await wait(teacher, "Opened the lesson once");
  await click(teacher, "button[aria-label='Close the answers']");
  await click(teacher, "button[aria-label='Put the 2 who added instead of scaled on the pull list']");
  await wait(teacher, "Pull list, 2");

  // Regroup: a group from the pull list, its plan, its practice and check.
  await click(teacher, "button ::-p-text(Make a group)");
  const name = (await teacher.waitForSelector("[role=dialog] input")) as ElementHandle<HTMLInputElement>;
  await name.click({ count: 3 });
  await name.type("Mixtures");
  await click(teacher, "button ::-p-text(Make a group of 2)");
  await wait(teacher, "Assign reteach practice and a check");
  await click(teacher, "a ::-p-text(Reteach plan)");
  await wait(teacher, "Their own answers");
  expect(await text(teacher)).toContain("added instead of scaled");
  await teacher.goBack();
  await wait(teacher, "Assign reteach practice and a check");
  const today = await teacher.$eval("input[type=date]", (input) => input.min);
  const opens = (await teacher.$$("input[type=date]"))[1];
  await opens?.evaluate((input, day) => {
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")?.set?.call(input, day);
    input.dispatchEvent(new Event("input", { bubbles: true }));
  }, today);
  await click(teacher, "button ::-p-text(Assign to 2 students)");
  await wait(teacher, "Did it work, and for whom?");

  // The first student has learned it since; the second has not.
  for (const [order, page] of pages.entries()) {
    for (const title of ["Same ratio, bigger amounts", "Check: Same ratio, bigger amounts"]) {
      await page.goto(`${app.base}/river`);
      await byText(page, "li", title);
      const link = await page.$$eval(
        "li",
        (items, wanted) =>
          items
            .find((item) => item.querySelector("p")?.innerText === wanted)
            ?.querySelector("a")
            ?.getAttribute("href"),
        title,
      );
      await page.goto(`${app.base}${link}`);
      await workThrough(app, page, order === 0 ? "right" : "wrong");
      await wait(page, "To my river");
    }
  }

  // Before and after, for whom, and who goes round again.
  await teacher.reload();
  await wait(teacher, "has learned it");
  const outcome = await text(teacher);
  expect(outcome).toContain("5 of 5 right");
  expect(outcome).toContain("0 of 5 right");
  expect(outcome).toContain("goes round again");
  const figure = /went from (\d+) % to (\d+) %/.exec(outcome.replace(/\s+/g, " "));
  expect(Number(figure?.[2])).toBeGreaterThan(Number(figure?.[1]) + 20);
});

/** Hints come one at a time and stay, until there is none to ask for. */
async function threeHints(page: Page): Promise<void> {
  await click(page, "form button ::-p-text(Hint)");
  for (const shown of [1, 2]) {
    await page.waitForFunction(
      (count) => document.querySelectorAll("form [aria-live] ol li").length === count,
      {},
      shown,
    );
    await click(page, "form button ::-p-text(Another hint)");
  }
  await page.waitForFunction(() => document.querySelectorAll("form [aria-live] ol li").length === 3);
  expect(await page.$("form button ::-p-text(Another hint)")).toBe(null);
}
