import { mkdtemp, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Browser, ElementHandle, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, it } from "vitest";
import { setSecret } from "@/db/queries/credentials";
import { hashSecret } from "@/server/access/secrets";
import { type TestApp, testApp } from "../support/app";
import { axeFindings } from "../support/axe";
import { choose, click, fill, openBrowser, openPage, signInTeacher } from "../support/browser";
import { showsSlots } from "../support/planPage";
import { makeClass, PASSWORD } from "../support/school";

let app: TestApp;
let browser: Browser;
let page: Page;
beforeAll(async () => {
  app = await testApp(async (school) => {
    await makeClass(school, 3, "6 Hazel");
    await makeClass(school, 2, "6 Birch");
    const secret = await hashSecret(PASSWORD);
    for (const who of ["ana", "cora"]) await school.db.write((tx) => setSecret(tx, who, secret, "password"));
  });
  browser = await openBrowser();
  page = await openPage(browser);
  await signInTeacher(page, app.base, "ana@school.example", PASSWORD);
});
afterAll(async () => {
  await browser?.close();
  await app?.close();
});

const wait = (words: string) => page.waitForFunction((text) => document.body.innerText.includes(text), {}, words);
const slots = () =>
  page.$$eval("ol[aria-label=Slots] > li button[aria-pressed]", (all) => all.map((one) => one.textContent ?? ""));
/** Until the slots stand so. */
const shows = (wanted: readonly string[]) => showsSlots(page, wanted);
const [RATIOS, RATES, TIMES, TRIP] = ["Ratios", "Rates and percents", "Times as many", "Trip to the weir"];

async function putIn(kind: string, thing: string, where: string): Promise<void> {
  await click(page, "button ::-p-text(Put something in)");
  await click(page, `[role=dialog] label ::-p-text(${kind})`);
  if (kind === "a line of text") await fill(page, "[role=dialog] input[maxlength]", thing);
  else {
    const id = await page.$$eval(
      "[role=dialog] select[aria-label=Skill] option",
      (options, name) => (options.find((one) => one.textContent?.endsWith(name)) as HTMLOptionElement).value,
      thing,
    );
    await choose(page, "[role=dialog] select[aria-label=Skill]", id);
  }
  await choose(page, "[role=dialog] select[aria-label=Where]", where);
  await click(page, "[role=dialog] button ::-p-text(Put it in)");
  await wait(`“${thing}” put in.`);
}

it("a year is chosen for two classes, slots are moved by keys, by menu and by hand, in the sister class too, and taken back", async () => {
  await page.goto(`${app.base}/desk/6-hazel/plan`, { waitUntil: "networkidle0" });
  await click(page, "label ::-p-text(also in 6 Birch)");
  await click(page, "button ::-p-text(Choose a plan)");
  await page.waitForSelector("[role=dialog] ::-p-text(A plan for 6 Hazel and 6 Birch)");
  await choose(page, "[role=dialog] select[aria-label=Plan]", "6");
  await click(page, "[role=dialog] button ::-p-text(Make it the plan)");
  await wait("Planned the year of grade 6 for 6 Hazel and 6 Birch.");
  await shows([RATIOS, RATES]);
  await putIn("a skill", TIMES, "0");
  // What is put in goes into the sister class as well.
  await putIn("a line of text", TRIP, "2");
  await shows([TIMES, RATIOS, TRIP, RATES]);

  // By keys, from the handle.
  await page.focus(`button[data-slot="${TRIP}"]`);
  await page.keyboard.press("ArrowUp");
  await shows([TIMES, TRIP, RATIOS, RATES]);
  // By menu.
  await click(page, `button[aria-label="${RATES}: more"]`);
  await click(page, "[role=menuitem] ::-p-text(Move up)");
  await shows([TIMES, TRIP, RATES, RATIOS]);
  // What comes before what it builds on is pointed out, with its repair.
  await wait("comes before");
  await click(page, "ul[aria-label=Order] button");
  await shows([TIMES, TRIP, RATIOS, RATES]);
  // By hand: the trip to the front.
  const box = await (await page.$(`button[data-slot="${TRIP}"]`))?.boundingBox();
  const top = await (await page.$(`button[data-slot="${TIMES}"]`))?.boundingBox();
  if (!box || !top) throw new Error("The handles are not there.");
  await page.mouse.move(box.x + 6, box.y + 8);
  await page.mouse.down();
  await page.mouse.move(box.x + 12, box.y - 10, { steps: 6 });
  await page.mouse.move(top.x + 12, top.y - 8, { steps: 12 });
  await page.mouse.up();
  await shows([TRIP, TIMES, RATIOS, RATES]);

  // More lessons move what lies behind.
  const dates = () =>
    page.$$eval("ol[aria-label=Slots] > li", (all) => all.map((one) => one.innerText.match(/\d+ \w+ to \d+ \w+/)?.[0]));
  const before = await dates();
  await click(page, `button[aria-label="${TIMES}: one lesson more"]`);
  await wait("“Times as many”: 6 lessons.");
  await page.waitForFunction(
    (old) => !document.querySelector("ol[aria-label=Slots] > li:last-child")?.textContent?.includes(old),
    {},
    before[3] ?? "",
  );

  // Pulled by its end in the band of the year, it lasts longer.
  const end = await (await page.$(`span[data-end="${TIMES}"]`))?.boundingBox();
  if (!end) throw new Error("The band of the year is not there.");
  await page.mouse.move(end.x + 4, end.y + 18);
  await page.mouse.down();
  await page.mouse.move(end.x + 120, end.y + 18, { steps: 8 });
  await page.mouse.up();
  await wait("“Times as many” lasts until");
  await page.waitForFunction(() =>
    /([1-9]\d|[7-9]) lessons/.test(document.querySelector("ol[aria-label=Slots] > li:nth-child(2)")?.textContent ?? ""),
  );

  // The sister class has the same, minus what is taken out there alone.
  await page.goto(`${app.base}/desk/6-birch/plan`, { waitUntil: "networkidle0" });
  expect(await slots()).toEqual([TRIP, TIMES, RATIOS, RATES]);
  await click(page, `button[aria-label="${TRIP}: more"]`);
  await click(page, "[role=menuitem] ::-p-text(Take it out)");
  await shows([TIMES, RATIOS, RATES]);
  await click(page, `button[aria-label="${RATES}: more"]`);
  await click(page, "[role=menuitem] ::-p-text(Leave out in this class)");
  await wait("left out here");
  await click(page, "[data-sonner-toast] button ::-p-text(Undo)");
  await page.waitForFunction(() => !document.body.innerText.includes("left out here"));
  await page.goto(`${app.base}/desk/6-hazel/plan`, { waitUntil: "networkidle0" });
  expect(await slots()).toEqual([TRIP, TIMES, RATIOS, RATES]);
});

it("beside a slot stands what belongs to it, with one move from there to giving work", async () => {
  await page.goto(`${app.base}/desk/6-hazel/plan`, { waitUntil: "networkidle0" });
  await click(page, `ol[aria-label=Slots] button ::-p-text(${RATIOS})`);
  await page.waitForSelector("aside ::-p-text(Overview, and the tests to give)");
  expect(await axeFindings(page)).toEqual([]);
  await click(page, "aside section:nth-of-type(2) a ::-p-text(Assign practice)");
  await wait("Assign work");
  expect(
    await page.$$eval("input[name=skillIds]:checked", (boxes) => boxes.map((box) => (box as HTMLInputElement).value)),
  ).toEqual(["equivalent-ratios"]);
});

const CALENDAR = [
  "BEGIN:VCALENDAR",
  "VERSION:2.0",
  "PRODID:-//Office//EN",
  "BEGIN:VEVENT",
  "UID:1",
  "SUMMARY:Flood days",
  "DTSTART;VALUE=DATE:20260921",
  "DTEND;VALUE=DATE:20260926",
  "END:VEVENT",
  "BEGIN:VEVENT",
  "UID:2",
  "SUMMARY:Staff meeting",
  "DTSTART:20260922T140000Z",
  "END:VEVENT",
  "END:VCALENDAR",
].join("\r\n");

it("the coordinator brings a calendar file in, and every plan has other dates until it is taken back", async () => {
  const dates = async () => {
    await page.goto(`${app.base}/desk/6-hazel/plan`, { waitUntil: "networkidle0" });
    return page.$$eval("ol[aria-label=Slots] > li", (all) =>
      all.map((one) => one.innerText.match(/\d+ \w+ to \d+ \w+/)?.[0]),
    );
  };
  const before = await dates();
  const folder = await mkdtemp(join(tmpdir(), "oxbow-calendar-"));
  const file = join(folder, "school.ics");
  await writeFile(file, CALENDAR);
  const theirs = await openPage(await browser.createBrowserContext());
  try {
    await signInTeacher(theirs, app.base, "cora@school.example", PASSWORD);
    await theirs.goto(`${app.base}/desk/school/plan/calendar`, { waitUntil: "networkidle0" });
    expect(await axeFindings(theirs)).toEqual([]);
    const input = (await theirs.$("input[type=file]")) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(file);
    await theirs.waitForSelector("[role=dialog] ::-p-text(Flood days)");
    await theirs.waitForSelector("[role=dialog] ::-p-text(1 left out)");
    await click(theirs, "[role=dialog] button ::-p-text(Make 1 of them days off)");
    await theirs.waitForSelector("main ::-p-text(Mon 21 Sep 2026 to Fri 25 Sep 2026)");
    await page.bringToFront();
    expect(await dates()).not.toEqual(before);
    await theirs.bringToFront();
    await click(theirs, "[data-sonner-toast] button ::-p-text(Undo)");
    await theirs.waitForFunction(() => !document.querySelector("main")?.innerText.includes("Flood days"));
    await page.bringToFront();
    expect(await dates()).toEqual(before);
  } finally {
    await theirs.browserContext().close();
    await rm(folder, { recursive: true, force: true });
  }
});
