import { existsSync, mkdirSync } from "node:fs";
import { join } from "node:path";
import { openBrowser, openPage, signInTeacher } from "~/tests/support/browser";
import { ensureBuilt, freePort, root, runScript, startApp } from "./steps.mjs";

const data = "/tmp/xshots";
mkdirSync(data, { recursive: true });
const env = {
  OXBOW_DATABASE_URL: `file:${join(data, "x.db")}`,
  OXBOW_NOW: "2026-11-23T09:30:00Z",
  OXBOW_SLIPS: join(data, "slips.json"),
};
ensureBuilt();
if (!existsSync(join(data, "x.db"))) runScript("scripts/seed.ts", [], env);
const port = await freePort(3400);
const base = `http://localhost:${port}`;
const app = await startApp(port, env, "inherit");
const browser = await openBrowser();
try {
  const page = await openPage(browser);
  page.on("console", (m) => {
    if (m.type() === "error") console.log("console:", m.text().slice(0, 300));
  });
  page.on("pageerror", (e) => console.log("pageerror:", String(e).slice(0, 400)));
  const shoot = async (name: string) => {
    await new Promise((r) => setTimeout(r, 700));
    await page.screenshot({ path: `/tmp/xshots/${name}.png` });
  };
  const steps = await import(process.argv[2] ?? "");
  await signInTeacher(page, base, process.argv[3] ?? "noor@kestrelweir.example", "the river comes round");
  await steps.default({ page, base: `${base}/desk/6-alder`, root: base, shoot });
} finally {
  await browser.close();
  app.kill("SIGKILL");
}
void root;
