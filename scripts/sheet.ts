import { readFileSync, writeFileSync } from "node:fs";
import { openBrowser, openPage } from "~/tests/support/browser";

const [out = "", ...files] = process.argv.slice(2);
const browser = await openBrowser();
const page = await openPage(browser, 2000, 1500);
const imgs = files
  .map(
    (f) =>
      `<img style="width:${Math.floor(1960 / files.length)}px;vertical-align:top;margin:4px" src="data:image/png;base64,${readFileSync(f).toString("base64")}">`,
  )
  .join("");
writeFileSync("/tmp/sheet.html", `<body style="margin:0;background:#888">${imgs}</body>`);
await page.goto("file:///tmp/sheet.html");
await page.screenshot({ path: out as `${string}.png`, fullPage: true });
await browser.close();
