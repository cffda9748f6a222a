import { openBrowser, openPage, signInTeacher } from "~/tests/support/browser";
import { freePort, startApp } from "./steps.mjs";

const env = {
  OXBOW_DATABASE_URL: "file:/tmp/xshots/x.db",
  OXBOW_NOW: "2026-11-23T09:30:00Z",
  OXBOW_SLIPS: "/tmp/xshots/slips.json",
};
const port = await freePort(3400);
const app = await startApp(port, env, "ignore");
const browser = await openBrowser();
const base = `http://localhost:${port}`;
try {
  const page = await openPage(browser);
  await signInTeacher(page, base, "noor@kestrelweir.example", "the river comes round");
  for (const [i, arg] of process.argv.slice(2).entries()) {
    const [path = "", full] = arg.split("#");
    await page.goto(`${base}/desk/${path}`, { waitUntil: "networkidle0" });
    await page.evaluate(() => document.fonts.ready);
    await page.screenshot({ path: `/tmp/xshots/${i}.png`, fullPage: full === "full" });
  }
} finally {
  await browser.close();
  app.kill("SIGKILL");
}
