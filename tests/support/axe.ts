import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import type { Page } from "puppeteer-core";

const axe = readFileSync(createRequire(import.meta.url).resolve("axe-core/axe.min.js"), "utf8");

/** Barriers that axe finds on the page, each with the first place where it is. */
export async function axeFindings(page: Page): Promise<string[]> {
  // A page that is still streaming in has no title yet.
  await page.waitForFunction(() => document.title !== "");
  await page.evaluate(axe);
  return page.evaluate(async () => {
    const { violations } = await (
      globalThis as unknown as {
        axe: { run(): Promise<{ violations: { id: string; nodes: { html: string }[] }[] }> };
      }
    ).axe.run();
    return violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html ?? ""}`);
  });
}
