import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Browser, ElementHandle, Page } from "puppeteer-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { setSecret } from "@/db/queries/credentials";
import { studentsOfClasses } from "@/db/queries/people";
import type { SignInSlip } from "@/features/roster/types";
import { shareClass } from "@/features/roster/writes/classes";
import { newSignIns } from "@/features/roster/writes/newSignIns";
import { hashSecret } from "@/server/access/secrets";
import { type TestApp, testApp } from "../support/app";
import { choose, click, fill, openBrowser, openPage, signInPupil } from "../support/browser";
import { filmOfCard } from "../support/camera";
import { csv, makeClass, PASSWORD, START, type TestSchool, TODAY } from "../support/school";

let app: TestApp;
let browser: Browser;
let alder: { classId: string; studentIds: string[] };
let rowan: { classId: string; studentIds: string[] };
const folder = mkdtempSync(join(tmpdir(), "oxbow-files-"));

async function prepare(school: TestSchool): Promise<void> {
  alder = await makeClass(school, 5, "6 Alder");
  rowan = await makeClass(school, 4, "5 Rowan", "ana", 5);
  const secret = await hashSecret(PASSWORD);
  for (const name of ["ben", "cora", "sam"]) await school.db.write((tx) => setSecret(tx, name, secret, "password"));
}
beforeAll(async () => {
  app = await testApp(prepare);
  browser = await openBrowser();
});
afterAll(async () => {
  await browser?.close();
  await app?.close();
});

const wait = (page: Page, words: string) =>
  page
    .waitForFunction((wanted) => document.body.innerText.includes(wanted), {}, words)
    .catch(async (error) => {
      throw new Error(
        `“${words}” is not on the page: ${(await page.evaluate(() => document.body.innerText)).slice(0, 600)}`,
        {
          cause: error,
        },
      );
    });
const gone = (page: Page, words: string) =>
  page.waitForFunction((wanted) => !document.body.innerText.includes(wanted), {}, words);
const as = async (name: string): Promise<Page> => {
  const page = await openPage(await browser.createBrowserContext());
  await page.goto(`${app.base}/sign-in?as=teacher`);
  await fill(page, "#email", `${name}@school.example`);
  await fill(page, "#password", PASSWORD);
  await click(page, "button[type=submit]");
  await page.waitForSelector("nav[aria-label='The bend']");
  return page;
};
const put = async (page: Page, name: string, text: string) => {
  const file = join(folder, name);
  writeFileSync(file, csv(text));
  const input = (await page.waitForSelector("input[type=file]")) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(file);
  await click(page, "button ::-p-text(Show what would change)");
};
const names = async (classId: string) =>
  (await studentsOfClasses(app.school.db.read, [classId], TODAY)).map(
    ({ person }) => `${person.givenName} ${person.familyName}`,
  );

it("imports a school's sheet: a row mended on the spot, a class moved, all of it undone", async () => {
  const page = await as("cora");
  await page.goto(`${app.base}/desk/school/roster/import`);
  await put(
    page,
    "school.csv",
    "Student number,Given name,Family name,Grade,Classes\n6 Alder-0,Student00,Of6Alder,6,5 Rowan\nN1,New,Child,6,6 Aldr\nN2,Other,Child,sixty,6 Alder\n",
  );
  await wait(page, "2 rows to mend");
  // One has a suggestion, the other is typed.
  await click(page, "tr:has(input[aria-label='Row 3, Classes']) button");
  await wait(page, "1 row to mend");
  await fill(page, "input[aria-label='Row 4, Grade']", "6");
  await click(page, "tr:has(input[aria-label='Row 4, Grade']) button");
  await gone(page, "to mend");
  await wait(page, "6 Alder → 5 Rowan");
  expect(await names(alder.classId)).toHaveLength(5);
  await click(page, "button ::-p-text(Apply )");
  await wait(page, "Imported school.csv into the whole school.");
  await page.waitForFunction(() => location.pathname === "/desk/school/roster");
  expect((await names(alder.classId)).sort()).toEqual([
    "New Child",
    "Other Child",
    "Student01 Of6Alder",
    "Student02 Of6Alder",
    "Student03 Of6Alder",
    "Student04 Of6Alder",
  ]);
  expect(await names(rowan.classId)).toContain("Student00 Of6Alder");
  await click(page, "[data-sonner-toast] button ::-p-text(Undo)");
  await wait(page, "Undone: Imported school.csv");
  expect(await names(alder.classId)).toHaveLength(5);
  expect(await names(rowan.classId)).toHaveLength(4);
  await page.browserContext().close();
});

/** Where an element is, once it stays there: a board is drawn anew after a move, and what is measured before may shift. */
async function stillBox(page: Page, selector: string) {
  const element = await page.waitForSelector(selector);
  let before = await element?.boundingBox();
  for (let looks = 0; looks < 40; looks++) {
    await new Promise((resolve) => setTimeout(resolve, 150));
    const now = await element?.boundingBox();
    if (now && before && now.x === before.x && now.y === before.y && now.height === before.height) return now;
    before = now;
  }
  return before;
}

it("makes a group across two classes, moves a member by keyboard and by dragging, and keeps who was in it", async () => {
  const page = await as("ana");
  await page.goto(`${app.base}/desk/all/regroup/board`, { waitUntil: "networkidle0" });
  for (const name of ["Student00 Of6Alder", "Student01 Of6Alder", "Student00 Of5Rowan"])
    await click(page, `input[aria-label='Pick ${name}']`);
  await click(page, "button ::-p-text(New group of 3)");
  await fill(page, "[role=dialog] input[name=name]", "Number talk");
  await click(page, "[role=dialog] button[aria-label='Mon, lesson 3']");
  await click(page, "[role=dialog] button ::-p-text(Make the group)");
  await page.waitForSelector("article[data-group='Number talk']");
  // An empty second group in the same lesson.
  await click(page, "button ::-p-text(New group)");
  await fill(page, "[role=dialog] input[name=name]", "Extra time");
  await click(page, "[role=dialog] button[aria-label='Mon, lesson 3']");
  await click(page, "[role=dialog] button ::-p-text(Make the group)");
  await page.waitForSelector("article[data-group='Extra time']");
  const membersOf = (group: string) =>
    page.$$eval(`article[data-group='${group}'] li button[data-name]`, (buttons) =>
      buttons.map((button) => (button as HTMLElement).innerText),
    );
  // By keyboard: the name's menu.
  const member = await page.waitForSelector(
    "article[data-group='Number talk'] li button[aria-label^='Student00 Of5Rowan']",
  );
  await member?.focus();
  await page.keyboard.press("Enter");
  await page.waitForSelector("[role=menuitem]");
  await page.keyboard.press("Enter");
  await page.waitForSelector("article[data-group='Extra time'] li button[aria-label^='Student00 Of5Rowan']");
  expect(await membersOf("Number talk")).not.toContain("Student00 Of5Rowan");
  // By dragging from the pool: into a second group in the same lesson, which is pointed out.
  const from = await stillBox(page, "li[data-student='Student01 Of6Alder']");
  const to = await stillBox(page, "article[data-group='Extra time'] ul");
  if (!from || !to) throw new Error("nothing to drag");
  await page.mouse.move(from.x + from.width - 60, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(from.x + from.width - 20, from.y + 30, { steps: 4 });
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 12 });
  await page.mouse.up();
  await page.waitForSelector("article[data-group='Extra time'] li button[aria-label^='Student01 Of6Alder']");
  await wait(page, "Student01 Of6Alder is in “Number talk” on Monday, lesson 3");
  await wait(page, "1 were in it before");
  await page.browserContext().close();
});

describe("signing in", () => {
  let slips: SignInSlip[];
  const enter = async (page: Page, slip: SignInSlip) => {
    await page.goto(`${app.base}/sign-in`);
    await fill(page, "#code", slip.code);
    await click(page, "button[type=submit]");
    const [given = "", family = ""] = slip.name.split(" ");
    await click(page, `li button ::-p-text(${given} ${family.slice(0, 1)})`);
  };

  it("goes by digits, by pictures, and by card on a tablet; a used card opens again, an old one does not", async () => {
    const teacher = await app.school.teacher();
    slips = await newSignIns(teacher, { studentIds: alder.studentIds, cards: true });
    const [first, second, third] = slips as [SignInSlip, SignInSlip, SignInSlip];
    const digits = await openPage(await browser.createBrowserContext(), 820, 1180);
    await signInPupil(digits, app.base, first);

    const [pictures] = (await newSignIns(teacher, { studentIds: [second.studentId], pin: "picture" })) as [SignInSlip];
    const tablet = await openPage(await browser.createBrowserContext(), 820, 1180);
    await enter(tablet, pictures);
    await wait(tablet, "Your four pictures, in order");
    for (const number of pictures.pin.split("-"))
      await (await tablet.$$("fieldset .grid button"))[Number(number)]?.click();
    await tablet.waitForFunction(() => location.pathname === "/river");

    const token = third.cardAddress?.split("#")[1];
    const scanned = await openPage(await browser.createBrowserContext(), 820, 1180);
    await scanned.goto(`${app.base}/card#${token}`);
    await scanned.waitForFunction(() => location.pathname === "/river");
    expect(await scanned.evaluate(() => document.body.innerText)).toContain(`Hello, ${third.name.split(" ")[0]}`);
    await newSignIns(teacher, { studentIds: [third.studentId], cards: true });
    await scanned.goto(`${app.base}/river`);
    await scanned.waitForFunction(() => location.pathname === "/sign-in");
    await scanned.goto(`${app.base}/card#${token}`);
    await wait(scanned, "This card does not work any more");
    for (const page of [digits, tablet, scanned]) await page.browserContext().close();
  });

  it("takes a card held to the tablet's camera", async () => {
    const [slip] = (await newSignIns(await app.school.teacher(), {
      studentIds: [alder.studentIds[2] ?? ""],
      cards: true,
    })) as [SignInSlip];
    const film = join(folder, "card.y4m");
    filmOfCard(film, slip.cardAddress ?? "");
    const withCamera = await openBrowser(film);
    const page = await openPage(withCamera, 820, 1180);
    await page.goto(`${app.base}/sign-in`);
    await click(page, "button ::-p-text(I have a card)");
    await page.waitForFunction(() => location.pathname === "/river");
    await wait(page, `Hello, ${slip.name.split(" ")[0]}`);
    await withCamera.close();
  });

  it("stops one device that guesses, nobody else, until the teacher lets it try again", async () => {
    const victim = slips[3] as SignInSlip;
    const wrong = victim.pin === "0000" ? "1111" : "0000";
    const own = await openPage(await browser.createBrowserContext(), 820, 1180);
    await signInPupil(own, app.base, victim);
    await signedOut(own);
    const guesser = await openPage(await browser.createBrowserContext(), 820, 1180);
    await enter(guesser, victim);
    for (let left = 3; left >= 0; left--) {
      await page4(guesser, wrong);
      await wait(guesser, left > 0 ? "That PIN is not right" : "before the next try");
    }
    // The child's own device, and a classmate on the guesser's, still get in.
    await signInPupil(own, app.base, victim);
    await own.browserContext().close();
    await enter(guesser, slips[4] as SignInSlip);
    await page4(guesser, (slips[4] as SignInSlip).pin);
    await guesser.waitForFunction(() => location.pathname === "/river");
    await signedOut(guesser);
    await enter(guesser, victim);
    await page4(guesser, victim.pin);
    await wait(guesser, "before the next try");
    const teacher = await as("ana");
    await teacher.goto(`${app.base}/desk/all/roster`);
    await wait(teacher, "1 student is held at the door");
    await click(teacher, "button ::-p-text(Let them try again)");
    await gone(teacher, "1 student is held at the door");
    await enter(guesser, victim);
    await page4(guesser, victim.pin);
    await guesser.waitForFunction(() => location.pathname === "/river");
    await guesser.browserContext().close();
    await teacher.browserContext().close();
  });

  const signedOut = async (page: Page) => {
    const context = page.browserContext();
    await context.deleteCookie(...(await context.cookies()).filter(({ name }) => name === "oxbow_session"));
  };

  const page4 = async (page: Page, pin: string) => {
    const field = await page.waitForSelector("#pin:not([disabled])");
    await field?.click({ count: 3 });
    await field?.type(pin);
  };
});

it("a substitute works with the class until the last day, and not a day longer", async () => {
  await shareClass(await app.school.teacher(), {
    classId: alder.classId,
    personId: "ben",
    role: "substitute",
    untilDay: "2026-11-24",
  });
  const page = await as("ben");
  await page.goto(`${app.base}/desk/6-alder/work/new?skill=equivalent-ratios`);
  await wait(page, "each student gets items of their own");
  await page.goto(`${app.base}/desk/6-alder/roster/classes/${alder.classId}`);
  await wait(page, "Who is on this class");
  expect(await page.evaluate(() => document.body.innerText)).not.toContain("Share with");
  await app.kill();
  await app.start(START + 2 * 86_400_000);
  const later = await as("ben");
  await later.goto(`${app.base}/desk/6-alder/roster`);
  await later.waitForFunction(() => location.pathname === "/desk/all");
  expect(await later.evaluate(() => document.body.innerText)).not.toContain("6 Alder");
  await later.goto(`${app.base}/desk/all/roster/students/${alder.studentIds[0]}`);
  await wait(later, "This is not open to you");
  await later.browserContext().close();
  await page.browserContext().close();
});

it("rolls the year over and takes it back as one", async () => {
  const page = await as("cora");
  await page.goto(`${app.base}/desk/school/roster/roll-over`, { waitUntil: "networkidle0" });
  await wait(page, "4 move up, 5 leave the school; 1 class is made.");
  await click(page, "tr:has(input[aria-label='New class of 5 Rowan']) button[aria-expanded]");
  await choose(page, "select[aria-label='Exception for Student00 Of5Rowan']", "leaves");
  await wait(page, "3 move up, 6 leave the school");
  const dates = await page.$$("input[type=date]");
  for (const [place, day] of ["2027-09-06", "2028-01-28"].entries())
    await dates[place]?.evaluate((input, value) => {
      Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")?.set?.call(input, value);
      input.dispatchEvent(new Event("input", { bubbles: true }));
    }, day);
  await click(page, "button[type=submit]");
  await wait(page, "Rolled over to");
  await page.waitForFunction(() => location.search.includes("show=classes"));
  await wait(page, "6 Rowan");
  expect(await names(alder.classId)).toEqual([]);
  await page.goto(`${app.base}/desk/school/roster/students/${alder.studentIds[0]}`);
  await wait(page, "left the school; what was shown is kept");
  await page.goto(`${app.base}/desk/school/history`, { waitUntil: "networkidle0" });
  await click(page, "::-p-xpath(//tr[contains(., 'Rolled over')]//button[contains(., 'Undo')])");
  await wait(page, "Undone: Rolled over");
  expect(await names(alder.classId)).toHaveLength(5);
  await page.browserContext().close();
});
