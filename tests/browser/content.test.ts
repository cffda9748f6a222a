import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, it } from "vitest";
import { drawItem } from "@/core/items/drawItem";
import { rightResponse } from "@/core/items/telling";
import { newSignIns } from "@/features/roster/writes/newSignIns";
import { installContent } from "@/server/content/installContent";
import { shippedContent } from "~/demo/shippedContent";
import { answerAnything } from "../support/answerAnything";
import { answersOnPage, goOn, logOf, type TestApp, testApp } from "../support/app";
import { openBrowser, openPage, signInPupil } from "../support/browser";
import { givePractice, makeClass } from "../support/school";

const ITEMS = 60;
/** Skills that one piece of work may name. */
const IN_ONE_WORK = 6;
const SEED = 3;

let app: TestApp;
let browser: Browser;
let page: Page;
const works: string[] = [];

/** One item of every second or third skill, of all grades, strands and kinds; intervals are marked in a test of their own. */
function sample() {
  const skills = shippedContent().flatMap((content) => content.skills);
  const isMarkedByPoint = (item: (typeof skills)[number]["items"][number]) =>
    !JSON.stringify(rightResponse(drawItem({ id: `${item.id}@1`, itemId: item.id, body: item.body }, SEED))).includes(
      '"withLow"',
    );
  return Array.from({ length: ITEMS }, (_, place) => {
    const skill = skills[Math.floor((place * skills.length) / ITEMS)];
    const items = (skill?.items ?? []).filter(isMarkedByPoint);
    const item = items[place % items.length];
    if (!skill || !item) throw new Error("Too little ships.");
    return { itemId: item.id, skillId: skill.id, seed: SEED };
  });
}

beforeAll(async () => {
  let slip: { name: string; code: string; pin: string } | undefined;
  const picked = sample();
  app = await testApp(async (school) => {
    await installContent(school.runtime, shippedContent());
    const { classId, studentIds } = await makeClass(school, 1);
    for (let from = 0; from < ITEMS; from += IN_ONE_WORK) {
      const own = picked.slice(from, from + IN_ONE_WORK);
      const skillIds = [...new Set(own.map(({ skillId }) => skillId))];
      works.push(
        await givePractice(school, classId, studentIds, { kind: "amount", skillIds, items: own.length, picked: own }),
      );
    }
    [slip] = (await newSignIns(await school.teacher(), { studentIds })) as unknown as (typeof slip)[];
  });
  browser = await openBrowser();
  page = await openPage(browser, 820, 1180);
  if (!slip) throw new Error("Nobody can sign in.");
  await signInPupil(page, app.base, slip);
});
afterAll(async () => {
  await browser?.close();
  await app?.close();
});

it("sixty items of all skills are answered on a student's tablet, and each right answer is taken for right", async () => {
  for (const workId of works) {
    await page.goto(`${app.base}/river/${workId}`);
    for (let n = 0; n < IN_ONE_WORK; n++) {
      await page.waitForSelector("form[data-presentation] button[type=submit]:not([disabled])");
      const { presentationId, right } = await answersOnPage(app, page);
      await answerAnything(page, right.a as never);
      await page.click("form button[type=submit]");
      const said = await page.waitForSelector("form [aria-live] h2");
      const stem = await page.$eval("form", (form) => form.innerText);
      expect(await said?.evaluate((heading) => heading.textContent), stem).toMatch(/right/i);
      await page.waitForSelector("[data-next]");
      await goOn(page);
      await page.waitForFunction(
        (old) => document.querySelector<HTMLElement>("form")?.dataset.presentation !== old,
        {},
        presentationId,
      );
    }
  }
  const log = await logOf(app);
  expect(log).toHaveLength(ITEMS);
  expect(new Set(log.map(({ skillId }) => skillId)).size).toBe(ITEMS);
});
