import { existsSync, mkdirSync } from "node:fs";
import { openBrowser, openPage, signInTeacher } from "~/tests/support/browser";
import { freePort, runScript, startApp } from "./steps.mjs";

const data = "/tmp/xshots";
const env = {
  OXBOW_DATABASE_URL: `file:${data}/x.db`,
  OXBOW_NOW: "2026-11-23T09:30:00Z",
  OXBOW_SLIPS: `${data}/slips.json`,
};
mkdirSync(data, { recursive: true });
if (!existsSync(`${data}/x.db`)) runScript("scripts/seed.ts", [], env);
const port = await freePort(3400);
const base = `http://localhost:${port}`;
const app = await startApp(port, env, "ignore");
const browser = await openBrowser();
try {
  const page = await openPage(browser);
  await page.setViewport({ width: 1280, height: 800 });
  await signInTeacher(page, base, process.env.WHO ?? "noor@kestrelweir.example", "the river comes round");
  const shoot = async (name: string) => {
    await page.evaluate(() => document.fonts.ready);
    await new Promise((r) => setTimeout(r, 600));
    await page.screenshot({ path: `/tmp/xshots/${name}.png` });
  };
  const { default: step } = await import(process.argv[2]!);
  await step({ page, base, desk: `${base}/desk/6-alder`, shoot, browser });
} finally {
  await browser.close();
  app.kill("SIGKILL");
}
