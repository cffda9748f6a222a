import type { Browser, Page } from "puppeteer-core";
import type { SignInSlip } from "@/features/roster/types";
import { openPage, signInPupil } from "./browser";

/** A student signed in on a device of their own, held upright. */
export async function asPupil(browser: Browser, base: string, slip: SignInSlip | undefined): Promise<Page> {
  if (!slip) throw new Error("There is no such student.");
  const own = await openPage(await browser.createBrowserContext(), 820, 1180);
  await signInPupil(own, base, slip);
  return own;
}

/** Begins the work with a title from the student's own page. */
export async function beginWork(page: Page, title: string): Promise<void> {
  await page.bringToFront();
  await page.waitForFunction((asked) => document.body.innerText.includes(asked), {}, title);
  await page.$$eval(
    "li",
    (all, asked) => {
      const item = all.find((one) => one.innerText.includes(asked as string));
      item?.querySelector("a")?.click();
    },
    title,
  );
  await page.waitForSelector("form[data-presentation]");
}

/** Waits until the page says something. */
export const says = (page: Page, words: string) =>
  page.waitForFunction((asked) => document.body.innerText.includes(asked), {}, words);

export const textOf = (page: Page): Promise<string> => page.evaluate(() => document.body.innerText);
