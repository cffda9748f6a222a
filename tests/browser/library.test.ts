import { mkdtemp, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Browser, ElementHandle, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, it } from "vitest";
import { setSecret } from "@/db/queries/credentials";
import { newSignIns } from "@/features/roster/writes/newSignIns";
import { hashSecret } from "@/server/access/secrets";
import { answerOnPage, logOf, type TestApp, testApp } from "../support/app";
import { axeFindings } from "../support/axe";
import { choose, click, fill, openBrowser, openPage, signInPupil, signInTeacher } from "../support/browser";
import { olderItem, packageOf, responseTo } from "../support/packages";
import { makeClass, PASSWORD } from "../support/school";

let app: TestApp;
let browser: Browser;
let page: Page;
let pupil: { id: string; name: string; code: string; pin: string };
beforeAll(async () => {
  app = await testApp(async (school) => {
    const { studentIds } = await makeClass(school, 1);
    const [slip] = await newSignIns(await school.teacher(), { studentIds });
    pupil = { id: studentIds[0] ?? "", name: slip?.name ?? "", code: slip?.code ?? "", pin: slip?.pin ?? "" };
    const ben = await hashSecret(PASSWORD);
    await school.db.write((tx) => setSecret(tx, "ben", ben, "password"));
  });
  browser = await openBrowser();
  page = await openPage(browser);
  await signInTeacher(page, app.base, "ana@school.example", PASSWORD);
});
afterAll(async () => {
  await browser?.close();
  await app?.close();
});

const codes = () =>
  page.$$eval("main li span:first-child", (all) => all.flatMap((one) => one.innerText.match(/^WV .*/) ?? []));
const shows = (wanted: readonly string[]) =>
  page.waitForFunction(
    (list) => {
      const found = [...document.querySelectorAll<HTMLElement>("main li div > span:first-child")].map(
        (one) => one.innerText,
      );
      return found.join("|") === list.join("|");
    },
    {},
    wanted,
  );

it("finds standards by words, by grade and by a pasted list of codes, and goes on to a skill", async () => {
  // Right after signing in, what the page before had begun to fetch may never be silent: what is used is waited for instead.
  // What is typed into the address while a page is still being gone to would be lost with the address before.
  await page.goto(`${app.base}/desk/all/library/standards`);
  await page.waitForSelector("textarea");
  expect((await codes()).length).toBeGreaterThan(10);
  await fill(page, "textarea", "proportionality constant");
  await shows(["WV R", "WV 7.R2"]);
  await fill(page, "textarea", "WV 4.R1\nwv 5r2, WV 99");
  await shows(["WV R", "WV 4.R1", "WV 5.R2"]);
  await page.waitForSelector("[role=status] ::-p-text(WV 99)");
  // What is found stands in the address, to come back to and to pass on.
  await page.waitForFunction(() => new URL(location.href).searchParams.get("find")?.includes("WV 99"));
  await fill(page, "textarea", "nothing says this");
  await click(page, "button ::-p-text(Show all)");
  await choose(page, "select[aria-label=Grade]", "7");
  await page.waitForFunction(() => {
    const found = Number.parseInt(document.querySelector("main [aria-live]")?.textContent ?? "", 10);
    // Its standards and the strands that reach it.
    return found > 19 && found < 40;
  });
  await choose(page, "select[aria-label=Grade]", "");
  await click(page, "a ::-p-text(Equivalent ratios)");
  await page.waitForFunction(() => location.pathname.endsWith("/library/equivalent-ratios"));
});

it("saves the framework as a standards file", async () => {
  await page.goto(`${app.base}/desk/all/library/standards`, { waitUntil: "networkidle0" });
  const href = await page.$eval("a[download]", (link) => (link as HTMLAnchorElement).href);
  const file = await page.evaluate(async (address) => {
    const reply = await fetch(address);
    const { CFDocument, CFItems } = (await reply.json()) as { CFDocument: { title: string }; CFItems: unknown[] };
    return { disposition: reply.headers.get("content-disposition"), title: CFDocument.title, items: CFItems.length };
  }, href);
  expect(file).toMatchObject({ title: "Weir Valley Learning Standards", items: 163 });
  expect(file.disposition).toContain("weir-valley-learning-standards.json");
});

const wait = (text: string, on = page) =>
  on.waitForFunction((wanted) => document.body.innerText.includes(wanted), {}, text);

it("an item of one's own with numbers that change is written, put into use, gathered and answered by a student", async () => {
  await page.goto(`${app.base}/desk/all/library`, { waitUntil: "networkidle0" });
  await click(page, "a ::-p-text(Write an item)");
  await page.waitForSelector("textarea[name=stem]");
  await fill(page, "textarea[name=stem]", "{crews} crews row {laps} laps each. How many laps is that?");
  await page.waitForSelector("[aria-label='Still missing'] ::-p-text(Right answer)");
  await fill(page, "input[name='parts.0.answer']", "crews * laps");
  await wait("Nothing fills {crews}");
  for (const [place, [name, range]] of [
    ["crews", "3 to 9"],
    ["laps", "4, 6, 8"],
  ].entries()) {
    await click(page, "button ::-p-text(Add a number)");
    await fill(page, `input[name='parameters.${place}.name']`, name as string);
    await fill(page, `input[name='parameters.${place}.range']`, range as string);
  }
  await wait("different items in 100 draws; nothing odd in any.");
  await click(page, "button ::-p-text(Add a telling mistake)");
  await fill(page, "input[name='parts.0.misconceptions.0.value']", "crews + laps");
  await choose(page, "select[name='parts.0.misconceptions.0.id']", "added-instead-of-scaled");
  // The preview is answered as a student would, and nothing of it is kept.
  await page.waitForSelector("aside b");
  const key = await page.$eval("aside b", (one) => (one as HTMLElement).innerText);
  await fill(page, "aside input", key);
  await click(page, "aside button ::-p-text(Try this answer)");
  await page.waitForSelector("aside [role=status] ::-p-text(Right.)");
  await choose(page, "section select:has(option[value='times-as-many'])", "times-as-many");
  await wait("Draft saved at");
  await click(page, "button ::-p-text(Put into use)");
  await page.waitForFunction(() => /\/library\/items\/[0-9a-f-]+$/.test(location.pathname));
  await page.waitForSelector("h1 ::-p-text(crews row)");
  await click(page, "main > div > div:first-child button ::-p-text(Into the bundle)");
  await page.waitForSelector("section[aria-label=Bundle] ::-p-text(1 item)");
  await click(page, "section[aria-label=Bundle] button ::-p-text(Assign)");
  await page.waitForSelector("ol ::-p-text(crews row)");
  await click(page, "button ::-p-text(Assign to)");
  await page.waitForFunction(() => /\/work\/[0-9a-f-]+$/.test(location.pathname));
  const theirs = await openPage(await browser.createBrowserContext(), 820, 1180);
  await signInPupil(theirs, app.base, pupil);
  await click(theirs, "a ::-p-text(Begin)");
  await answerOnPage(app, theirs, "right");
  await theirs.waitForSelector("form [aria-live] h2");
  await theirs.browserContext().close();
  await page.bringToFront();
  const [answer] = await logOf(app);
  expect(answer).toMatchObject({ personId: pupil.id });
});

it("changing an item that was answered makes another version; the old one is still what the student saw", async () => {
  await page.goto(`${app.base}/desk/all/library/items?find=crews`, { waitUntil: "networkidle0" });
  await click(page, "[data-item-link]");
  await page.waitForSelector("[data-preview]");
  await wait("met by 1 student");
  const old = await page.$eval("[data-preview] p", (one) => (one as HTMLElement).innerText);
  await click(page, "a ::-p-text(Change)");
  await page.waitForSelector("textarea[name=stem]");
  await wait("1 student answered version 1");
  await fill(page, "textarea[name=stem]", "{crews} teams run {laps} laps each. How many laps is that?");
  await wait("Draft saved at");
  await click(page, "button ::-p-text(Put into use)");
  await page.waitForSelector("h1 ::-p-text(teams run)");
  await click(page, "a ::-p-text(Version 1)");
  await page.waitForFunction((text) => document.querySelector("[data-preview] p")?.textContent === text, {}, old);
});

it("a bank that is opened for use is read only for the colleague, a restricted one is not there before its day", async () => {
  await page.goto(`${app.base}/desk/all/library/banks`, { waitUntil: "networkidle0" });
  await click(page, "a ::-p-text(My items)");
  await page.waitForSelector("select");
  await choose(page, "section select", "person ben");
  await click(page, "button ::-p-text(Open it)");
  await wait("Ben Tester may find and give its items");
  const theirs = await openPage(await browser.createBrowserContext());
  await signInTeacher(theirs, app.base, "ben@school.example", PASSWORD);
  await theirs.goto(`${app.base}/desk/all/library/items?find=teams%20run`, { waitUntil: "networkidle0" });
  await click(theirs, "[data-item-link]");
  await theirs.waitForSelector("[data-preview]");
  expect(await theirs.$("a ::-p-text(Change)")).toBeNull();
  expect(await theirs.$("button ::-p-text(Retire)")).toBeNull();
  const path = new URL(theirs.url()).pathname;
  await theirs.goto(`${app.base}${path}/edit`, { waitUntil: "networkidle0" });
  await wait("not open to you", theirs);
  await page.bringToFront();
  await page.$eval("input[type=date]", (field) => {
    const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")?.set;
    set?.call(field, "2026-12-24");
    field.dispatchEvent(new Event("input", { bubbles: true }));
  });
  await click(page, "form button ::-p-text(Change)");
  await wait("Restricted until 24 Dec 2026");
  await theirs.bringToFront();
  await theirs.goto(`${app.base}/desk/all/library/items?find=teams%20run`, { waitUntil: "networkidle0" });
  await wait("0 items", theirs);
  await theirs.goto(`${app.base}${path}`, { waitUntil: "networkidle0" });
  await wait("not open to you", theirs);
  await theirs.browserContext().close();
  await page.bringToFront();
});

it("a bank is checked by the answers, which says what is still too little", async () => {
  await page.goto(`${app.base}/desk/all/library/banks`, { waitUntil: "networkidle0" });
  await click(page, "a ::-p-text(My items)");
  await click(page, "a ::-p-text(Check it by the answers)");
  await click(page, "button ::-p-text(Read the answers)");
  await wait("No skill has two items with 100 first answers yet");
  await click(page, "summary");
  await wait("the most answered of 1 item has 0");
  expect(await axeFindings(page)).toEqual([]);
});

it("the search sentence, choosing and the bundle work by the keyboard alone, and axe finds nothing", async () => {
  await page.goto(`${app.base}/desk/all/library/items`, { waitUntil: "networkidle0" });
  await page.focus("[data-item-link]");
  await page.keyboard.press("j");
  await page.keyboard.press("x");
  await page.waitForSelector("[role=toolbar] ::-p-text(1 item)");
  await page.keyboard.press("b");
  await page.waitForSelector("section[aria-label=Bundle] ::-p-text(1 item)");
  await page.focus("button[aria-label^='kind']");
  await page.keyboard.press("Enter");
  await page.waitForSelector("fieldset input");
  await page.keyboard.press("Space");
  await page.waitForFunction(() => new URL(location.href).searchParams.get("kind") !== null);
  await page.keyboard.press("Escape");
  expect(await axeFindings(page)).toEqual([]);
  await click(page, "section[aria-label=Bundle] button ::-p-text(Clear)");
  await page.goto(`${app.base}/desk/all/library/items/new`, { waitUntil: "networkidle0" });
  expect(await axeFindings(page)).toEqual([]);
});

it("the model of a skill is moved by keys, and says where it stands", async () => {
  await page.goto(`${app.base}/desk/all/library/unit-rates`);
  const pair = await page.waitForSelector("[role=slider][aria-label=Pair]");
  await pair?.evaluate((handle) => (handle as unknown as SVGElement).focus());
  await page.keyboard.press("ArrowRight");
  await wait("minutes: 2, litres: 30");
  await page.keyboard.press("End");
  await wait("minutes: 8, litres: 120");
  await click(page, "button ::-p-text(Show it large)");
  await page.waitForSelector("[role=dialog] [role=slider]");
  expect(await axeFindings(page)).toEqual([]);
  await page.keyboard.press("Escape");
});

it("a unit is read and studied, its notes are printed, and its check is assigned with everything filled in", async () => {
  await page.goto(`${app.base}/desk/all/library/units`, { waitUntil: "networkidle0" });
  await click(page, "main button ::-p-text(grade 6)");
  await click(page, "main ol a ::-p-text(Rates and percents)");
  await wait("Where students trip");
  expect(await axeFindings(page)).toEqual([]);
  await click(page, "a ::-p-text(Study it)");
  await wait("Task 1, 15 minutes");
  const isShown = () => page.$eval("#after-1", (note) => !(note as HTMLElement).hidden);
  expect(await isShown()).toBe(false);
  await page.focus("button[aria-controls=after-1]");
  await page.keyboard.press("Enter");
  await page.waitForSelector("#after-1:not([hidden])");
  expect(await axeFindings(page)).toEqual([]);
  await fill(page, "main textarea", "Leaflets from the shop.");
  await page.keyboard.press("Tab");
  await wait("Note kept.");
  await click(page, "a ::-p-text(To the unit)");
  await wait("Assessments to give");
  expect(await page.$eval("main textarea", (note) => note.value)).toBe("Leaflets from the shop.");
  await click(page, "main ol a ::-p-text(Unit rates)");
  await click(page, "a ::-p-text(A sheet to print)");
  await wait("Complete the sentences");
  expect(await page.$eval("main", (main) => main.innerText.includes("Taught in"))).toBe(false);
  await page.goBack();
  await click(page, "a ::-p-text(Rates and percents)");
  await wait("Assessments to give");
  await click(page, "section:last-of-type div > div:last-child a ::-p-text(Assign it)");
  await wait("Assign work");
  // A test: its twelve items shared out among the three skills.
  const each = await page.$$eval("input[aria-label^='Items of']", (fields) =>
    fields.map((field) => [field.getAttribute("aria-label"), (field as HTMLInputElement).value]),
  );
  expect(each).toEqual([
    ["Items of Unit rates", "4"],
    ["Items of Comparing rates", "4"],
    ["Items of Percent of an amount", "4"],
  ]);
  expect(await page.$eval("input[name=title]", (field) => (field as HTMLInputElement).value)).toBe(
    "End of Rates and percents",
  );
  await page.waitForFunction(() => document.querySelectorAll("button[aria-label^='Drop item']").length === 12);
});

it("from a skill its items are found, looked at, gathered, copied into a bank of one's own and printed", async () => {
  await page.goto(`${app.base}/desk/all/library`, { waitUntil: "networkidle0" });
  await click(page, "main button ::-p-text(grade 4)");
  await click(page, "main a ::-p-text(Times as many)");
  await page.waitForSelector("a ::-p-text(Its items)");
  await click(page, "a ::-p-text(Its items)");
  await page.waitForFunction(() => new URL(location.href).searchParams.get("skill") === "times-as-many");
  await page.waitForSelector("button[aria-label^='skill: Times as many']");
  await click(page, "[data-item-link]");
  await page.waitForSelector("[data-preview]");
  await click(page, "button ::-p-text(Copy there)");
  await wait("Copied 1 item to “My items”.");
  await click(page, "main > div > div:first-child button ::-p-text(Into the bundle)");
  await page.waitForSelector("section[aria-label=Bundle] ::-p-text(1 item)");
  await click(page, "section[aria-label=Bundle] button ::-p-text(Print)");
  await page.waitForSelector("[data-sheet=A]");
  await choose(page, "select[aria-label=Versions]", "2");
  await page.waitForSelector("[data-sheet=B]");
  const stems = await page.$$eval("[data-sheet] ol p:first-child", (all) => all.map((one) => one.textContent));
  expect(new Set(stems).size).toBeGreaterThan(1);
  await page.emulateMediaType("print");
  expect(await page.$eval("select[aria-label=Versions]", (word) => word.checkVisibility())).toBe(false);
  expect(await page.$eval("[data-key]", (key) => (key as HTMLElement).innerText)).toContain("Version B");
  await page.emulateMediaType("screen");
  expect(await axeFindings(page)).toEqual([]);
});

it("a package with problems is looked at, brought in as far as it goes, taken back, and what is in use goes out again", async () => {
  const choice = (id: string, key: string, stem: string) =>
    olderItem({
      declarations: responseTo([key]),
      body: `<p>${stem}</p><choiceInteraction responseIdentifier="RESPONSE" maxChoices="1"><simpleChoice identifier="A">4 oars</simpleChoice><simpleChoice identifier="B">6 oars</simpleChoice></choiceInteraction>`,
    }).replace('identifier="boats-1"', `identifier="${id}"`);
  const folder = await mkdtemp(join(tmpdir(), "oxbow-"));
  const file = join(folder, "oars.zip");
  await writeFile(
    file,
    packageOf({
      "one.xml": choice("one", "A", "Two rowers. How many oars?"),
      "two.xml": choice("two", "A", 'A skiff <img src="skiff.png" alt="a skiff"/> for two?'),
      "three.xml": choice("three", "C", "Nobody knows?"),
      "four.xml": "<broken",
    }),
  );
  await page.goto(`${app.base}/desk/all/library/items`, { waitUntil: "networkidle0" });
  await click(page, "a ::-p-text(Bring items in)");
  await page.waitForSelector("select[name=skillId]");
  await choose(page, "select[name=skillId]", "times-as-many");
  const input = (await page.waitForSelector("input[type=file]")) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(file);
  await click(page, "button ::-p-text(Show what would come)");
  await page.waitForSelector("h1 ::-p-text(oars.zip into)");
  await wait("2 items would come into use; 2 can't be taken; 1 with something to know.");
  await wait("The right answer “C” is not among the answers.");
  await wait("The document is broken at line 1.");
  expect(await axeFindings(page)).toEqual([]);
  await click(page, "a ::-p-text(with something to know)");
  await page.waitForFunction(() => document.querySelectorAll("main tbody tr").length === 1);
  await click(page, "button ::-p-text(Bring 2 items in)");
  await page.waitForFunction(() => location.search.includes("order=newest"));
  await wait("Two rowers. How many oars?");
  await click(page, "button ::-p-text(Undo)");
  await page.waitForFunction(() => !document.body.innerText.includes("Two rowers. How many oars?"));
  // The file is still there: brought in once more, the bank goes out as a package.
  await page.goBack();
  await page.waitForSelector("button ::-p-text(Bring 2 items in)");
  await click(page, "button ::-p-text(Bring 2 items in)");
  await wait("Two rowers. How many oars?");
  const bankId = new URL(page.url()).searchParams.get("bank") ?? "";
  await page.goto(`${app.base}/desk/all/library/banks/${bankId}`);
  await click(page, "a ::-p-text(Take it out)");
  await page.waitForSelector("a[download] ::-p-text(Package)");
  const kind = await page.$eval("a[download]", async (link) =>
    (await fetch((link as HTMLAnchorElement).href)).headers.get("content-type"),
  );
  expect(kind).toBe("application/zip");
  expect(await axeFindings(page)).toEqual([]);
  await rm(folder, { recursive: true });
}, 60_000);

it("a passage is written, an item hangs on it and is worth two points; the map of skills is walked by the keyboard", async () => {
  await page.goto(`${app.base}/desk/all/library/passages`);
  await click(page, "a ::-p-text(Write a passage)");
  await page.waitForSelector("textarea");
  await fill(page, "form input", "The lock at noon");
  await fill(page, "textarea", "Nine boats wait.\n\nThree of them are barges.");
  await click(page, "button ::-p-text(Keep the passage)");
  await page.waitForSelector("h1 ::-p-text(The lock at noon)");
  // Opened anew, without the notice that is still coming up.
  await page.goto(page.url());
  await page.waitForSelector("h1 ::-p-text(The lock at noon)");
  expect(await axeFindings(page)).toEqual([]);
  await click(page, "a ::-p-text(Write an item on it)");
  await page.waitForSelector("textarea[name=stem]");
  await fill(page, "textarea[name=stem]", "How many boats are no barges?");
  await fill(page, "input[name='parts.0.answer']", "6");
  await page.waitForSelector("aside section[aria-label='The lock at noon'] ::-p-text(Three of them)");
  await page.$$eval("fieldset select", (all) => {
    const points = all.find((one) => [...one.options].some(({ text }) => text === "2 points"));
    if (points) points.setAttribute("data-points", "");
  });
  await choose(page, "select[data-points]", "2");
  await fill(page, "input[list=standard-codes]", "wv 6r1");
  await click(page, "button ::-p-text(Add WV 6.R1)");
  await choose(page, "section select:has(option[value='times-as-many'])", "times-as-many");
  await wait("Draft saved at");
  expect(await axeFindings(page)).toEqual([]);
  await click(page, "button ::-p-text(Put into use)");
  await page.waitForSelector("h1 ::-p-text(How many boats)");
  await wait("Nine boats wait.");
  await page.goto(`${app.base}/desk/all/library/map?skill=unit-rates`);
  await page.waitForSelector("[data-skill='unit-rates']");
  await page.focus("[data-skill='unit-rates']");
  await page.keyboard.press("ArrowLeft");
  const skill = () => page.evaluate(() => (document.activeElement as HTMLElement).dataset.skill);
  expect(await skill()).not.toBe("unit-rates");
  await page.keyboard.press("ArrowRight");
  expect(await axeFindings(page)).toEqual([]);
  await page.keyboard.press("Enter");
  await page.waitForFunction(() => /\/library\/[a-z-]+$/.test(location.pathname));
}, 60_000);
