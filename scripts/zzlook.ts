import { openBrowser, openPage, signInTeacher } from "~/tests/support/browser";
const base = "http://localhost:3456";
const browser = await openBrowser();
const page = await openPage(browser, 1280, 800);
page.on("console", (m) => console.log("console", m.text()));
page.on("response", (r) => { if (r.url().includes("/api/")) console.log(r.status(), r.url()); });
await signInTeacher(page, base, "noor@kestrelweir.example", "the river comes round");
const steps = process.argv.slice(2);
let n = 0;
for (const step of steps) {
  const [verb, ...rest] = step.split(" ");
  const arg = rest.join(" ");
  if (verb === "go") await page.goto(base + arg, { waitUntil: "networkidle0" });
  if (verb === "click") await page.locator(arg).click();
  if (verb === "type") await page.keyboard.type(arg);
  if (verb === "press") await page.keyboard.press(arg as never);
  if (verb === "wait") await new Promise((r) => setTimeout(r, Number(arg)));
  if (verb === "text") console.log((await page.evaluate(() => document.body.innerText)).slice(0, 3000));
  if (verb === "shot") await page.screenshot({ path: `/tmp/look/${arg || n++}.png` });
  if (verb === "full") await page.screenshot({ path: `/tmp/look/${arg || n++}.png`, fullPage: true });
}
await browser.close();
