import { mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import type { Page } from "puppeteer-core";
import type { SignInSlip } from "@/features/roster/types";
import { click, openBrowser, openPage, signInPupil, signInTeacher } from "~/tests/support/browser";
import { ensureBuilt, freePort, root, runScript, startApp } from "./steps.mjs";

/** Retakes the pictures in docs/screenshots from a demo school of their own, at a fixed hour. */
const NOW = "2026-11-23T09:30:00Z";
const data = join(root, ".shots");
const folder = join(root, "docs", "screenshots");
const env = {
  OXBOW_DATABASE_URL: `file:${join(data, "shots.db")}`,
  OXBOW_NOW: NOW,
  OXBOW_SLIPS: join(data, "slips.json"),
};

/** A sheet with what sheets have: somebody who moves, a class misspelt, a grade that is none, a likely double. */
const SHEET = `Student number,Given name,Family name,Grade,Classes
KW1003,Brisa,Caldeira-Moss,6,6 Rowan
KW9001,Elif,Tamarind,5,5 Aldr
KW9002,Josip,Underhay,fifth,5 Rowan
KW9003,Amadi,Nwosu-Bell,6,6 Alder
KW9004,Signy,Vantreight,7,7 Alder
`;

ensureBuilt();
rmSync(data, { recursive: true, force: true });
mkdirSync(data, { recursive: true });
mkdirSync(folder, { recursive: true });
runScript("scripts/seed.ts", [], env);
const slips = JSON.parse(readFileSync(env.OXBOW_SLIPS, "utf8")) as SignInSlip[];
const port = await freePort(3300);
const base = `http://localhost:${port}`;
const app = await startApp(port, env, "ignore");
const browser = await openBrowser();

const shoot = async (page: Page, name: string) => {
  await page.evaluate(() => document.fonts.ready);
  await new Promise((resolve) => setTimeout(resolve, 500));
  await page.screenshot({ path: join(folder, `${name}.png`) as `${string}.png` });
  console.log(name);
};

try {
  await teacherShots();
  await coordinatorShots();
  await studentShots();
} finally {
  await browser.close();
  app.kill("SIGKILL");
}

async function teacherShots(): Promise<void> {
  const page = await openPage(browser);
  await signInTeacher(page, base, "noor@kestrelweir.example", "the river comes round");
  const visit = async (path: string, name: string) => {
    await page.goto(`${base}/desk/6-alder${path}`, { waitUntil: "networkidle0" });
    if (name) await shoot(page, name);
  };
  await visit("", "today");
  await visit("/plan", "plan");
  await visit("/library/map", "skill-map");
  await visit("/library/items?find=sluice", "");
  await click(page, "[data-item-link]");
  await page.waitForSelector("[data-preview]");
  await click(page, "main a[href$='/edit']");
  await page.waitForSelector("aside [data-preview]");
  await shoot(page, "item-editor");
  await visit("/work/new?kind=test&skill=unit-rates~percent-of-amounts", "");
  await page.waitForFunction(() => document.querySelectorAll("button[aria-label^='Drop item']").length > 0);
  await page.waitForFunction(() => !document.body.innerText.includes("looking for a better form"));
  await shoot(page, "test");
  await visit("/work", "");
  const written = await page.$$eval("a", (links) =>
    links.find((link) => link.textContent?.includes("own words"))?.getAttribute("href"),
  );
  await page.goto(`${base}${written}/score`, { waitUntil: "networkidle0" });
  await shoot(page, "scoring");
  await visit("/work/facts", "facts");
  await visit("/work/review", "review");
  await visit("/regroup", "");
  await page.waitForFunction(() => document.body.innerText.includes("the best there are within these wishes"));
  await shoot(page, "groups");
  const judged = await page.$$eval("table a", (links) =>
    links.find((link) => link.textContent?.includes("Mixtures"))?.getAttribute("href"),
  );
  await page.goto(`${base}${judged}`, { waitUntil: "networkidle0" });
  await shoot(page, "before-and-after");
  await visit("/evidence?skill=equivalent-ratios", "mastery-map");
  await click(page, "aside button ::-p-text(Pull)");
  await click(page, "[data-cell='1.5']");
  await page.waitForFunction(() => document.body.innerText.includes("right at the first try"));
  await shoot(page, "answers-and-pull-list");
  await visit("/evidence/pieces", "");
  const test = await page.$$eval("th a", (links) =>
    links.find((link) => link.textContent?.includes("before and after"))?.getAttribute("href"),
  );
  await page.goto(`${base}${test}`, { waitUntil: "networkidle0" });
  await page.waitForFunction(() => document.body.innerText.includes("How do the marks lie?"));
  await shoot(page, "piece");
  await page.$$eval("a", (links) => links.filter((link) => link.textContent === "Talk now")[8]?.click());
  await page.waitForSelector("section[aria-label='Their answers']");
  await shoot(page, "talk");
  const ilse = await studentNamed(page, "Ilse Vandersloot", "6-alder");
  await visit(`/evidence/students/${ilse}`, "student-report");
}

/** The roster at its full depth: the whole school. */
async function coordinatorShots(): Promise<void> {
  const page = await openPage(await browser.createBrowserContext());
  await signInTeacher(page, base, "marguerite@kestrelweir.example", "the river comes round");
  const visit = async (path: string, name: string) => {
    await page.goto(`${base}/desk/school/roster${path}`, { waitUntil: "networkidle0" });
    if (name) await shoot(page, name);
  };
  await visit("", "roster");
  await visit("/import", "");
  const file = await page.$("input[type=file]");
  const sheet = join(data, "school.csv");
  writeFileSync(sheet, SHEET);
  await (file as unknown as { uploadFile(path: string): Promise<void> }).uploadFile(sheet);
  await click(page, "button ::-p-text(Show what would change)");
  await page.waitForFunction(() => document.body.innerText.includes("What would change"));
  await shoot(page, "roster-preview");
  await visit("?class=none", "");
}

async function studentNamed(page: Page, name: string, classes: string): Promise<string> {
  const entries = await page.evaluate(async (key) => (await fetch(`/api/search?classes=${key}`)).json(), classes);
  return (entries as { name: string; id: string }[]).find((entry) => entry.name === name)?.id ?? "";
}

/** Somebody of the class with practice to do: a check tells no verdict, so it has no feedback to show. */
async function studentAtPractice(): Promise<{ page: Page; href: string }> {
  for (const slip of slips.filter(({ className }) => className === "6 Alder")) {
    const context = await browser.createBrowserContext();
    const page = await openPage(context, 820, 1180);
    await signInPupil(page, base, slip);
    const href = await page.$$eval("ul a", (links) =>
      links
        .find(
          (link) => !/check|own words|before and after|Number facts|Review/.test(link.closest("li")?.textContent ?? ""),
        )
        ?.getAttribute("href"),
    );
    if (href) return { page, href };
    await context.close();
  }
  throw new Error("Nobody in the demo school has practice to do.");
}

async function studentShots(): Promise<void> {
  const { page, href } = await studentAtPractice();
  await shoot(page, "student-river");
  await page.goto(`${base}${href}`, { waitUntil: "networkidle0" });
  for (let n = 0; n < 12; n++) {
    const shown = await page.waitForSelector("form[data-presentation]");
    const id = await shown?.evaluate((form) => (form as HTMLElement).dataset.presentation);
    const numeric = await page.$("form input:not([type=radio])");
    const gaps = await page.$$("form select[data-answer], form select");
    const line = await page.$("form [role=slider]");
    if (numeric) await numeric.type("999");
    else if (line) {
      await line.evaluate((slider) => (slider as unknown as SVGElement).focus());
      await page.keyboard.press("Home");
    } else if (gaps.length > 0)
      for (const gap of gaps)
        await gap.evaluate((select) => {
          const list = select as HTMLSelectElement;
          list.selectedIndex = list.options.length - 1;
          list.dispatchEvent(new Event("change", { bubbles: true }));
        });
    else await (await page.$$("form fieldset label")).at(-1)?.click();
    await click(page, "form button[type=submit]");
    const said = await page.waitForSelector("form [aria-live] h2");
    if ((await said?.evaluate((heading) => heading.textContent)) === "Not yet") {
      await shoot(page, "student-feedback");
      return;
    }
    await click(page, "[data-next]");
    await page.waitForFunction(
      (old) => document.querySelector<HTMLElement>("form")?.dataset.presentation !== old,
      {},
      id,
    );
  }
}
