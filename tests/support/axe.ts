import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import type { Page } from "puppeteer-core";

const axe = readFileSync(createRequire(import.meta.url).resolve("axe-core/axe.min.js"), "utf8");

interface Axe {
  run(options: object): Promise<{ violations: { id: string; nodes: { html: string }[] }[] }>;
}

/**
 * Barriers that axe finds on the page, each with the first place where it is; only those of some rules where they are named, as
 * for colours of a page whose structure was looked at before.
 */
export async function axeFindings(page: Page, rules?: readonly string[]): Promise<string[]> {
  // A page that is still streaming in has no title yet.
  await page.waitForFunction(() => document.title !== "");
  if (!(await page.evaluate(() => "axe" in globalThis))) await page.evaluate(axe);
  return page.evaluate(
    async (only) => {
      const { violations } = await (globalThis as unknown as { axe: Axe }).axe.run({
        resultTypes: ["violations"],
        ...(only ? { runOnly: only } : {}),
      });
      return violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html ?? ""}`);
    },
    rules && [...rules],
  );
}
