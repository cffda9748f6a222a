import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { answersOfPerson } from "@/db/queries/answerLog";
import type { SignInSlip } from "@/features/roster/types";
import { newSignIns } from "@/features/roster/writes/newSignIns";
import { moveDueDay } from "@/features/work/writes/changeWork";
import { instantAt, schoolOf } from "@/server/runtime/school";
import { rebuildSummaries } from "@/server/summaries/rebuild";
import { answerOnPage, goOn, logOf, type TestApp, testApp } from "../support/app";
import { click, fill, openBrowser, openPage, signInPupil, signInTeacher } from "../support/browser";
import { givePractice, makeClass, PASSWORD } from "../support/school";
import { allSummaries } from "../support/summariesHold";

let app: TestApp;
let browser: Browser;
let slips: SignInSlip[] = [];
let workId = "";
beforeAll(async () => {
  app = await testApp(async (school) => {
    const { classId, studentIds } = await makeClass(school, 10);
    workId = await givePractice(school, classId, studentIds, { items: 20 });
    slips = await newSignIns(await school.teacher(), { studentIds });
  });
  browser = await openBrowser();
});
afterAll(async () => {
  await browser?.close();
  await app?.close();
});

const wait = (page: Page, words: string) =>
  page.waitForFunction((wanted) => document.body.innerText.includes(wanted), {}, words);
const ownLog = async (slip: SignInSlip) => (await logOf(app)).filter(({ personId }) => personId === slip.studentId);

let pupil: SignInSlip;
let page: Page;
let next = 0;
beforeEach(async () => {
  pupil = slips[next++] as SignInSlip;
  page = await openPage(await browser.createBrowserContext(), 820, 1180);
  await signInPupil(page, app.base, pupil);
  await page.goto(`${app.base}/river/${workId}`);
});

describe("a student on a bad connection", () => {
  it("loses no acknowledged answer and doubles none when the server is killed between two", async () => {
    const acknowledged: string[] = [];
    page.on("response", (response) => {
      const sent = response.request().postData();
      if (response.url().endsWith("/api/answers") && response.ok() && sent) acknowledged.push(JSON.parse(sent).key);
    });
    for (let n = 0; n < 2; n++) {
      await answerOnPage(app, page, "right");
      await goOn(page);
    }
    await app.kill();
    await answerOnPage(app, page, "right");
    await wait(page, "Kept on this device");
    await goOn(page);
    await answerOnPage(app, page, "right");
    await wait(page, "2 answers kept on this device");
    await app.start();
    await wait(page, "2 answers have been sent");
    const log = await ownLog(pupil);
    expect(acknowledged).toHaveLength(4);
    expect(log.map(({ key }) => key)).toEqual(acknowledged);
    expect(log.every(({ earned, possible }) => earned === possible)).toBe(true);
    const running = await allSummaries(app.school.db.read);
    await rebuildSummaries(app.school.runtime);
    expect(await allSummaries(app.school.db.read)).toEqual(running);
  });

  it("works on offline for three answers and is told what became of them", async () => {
    await page.waitForSelector("form");
    await page.setOfflineMode(true);
    const shown: string[] = [];
    for (const how of ["right", "wrong", "right"] as const) {
      shown.push(await answerOnPage(app, page, how));
      await wait(page, "Kept on this device");
      await goOn(page);
    }
    expect(new Set(shown).size).toBe(3);
    expect(await ownLog(pupil)).toHaveLength(0);
    await wait(page, "3 answers kept on this device");
    await page.setOfflineMode(false);
    await wait(page, "3 answers have been sent, 2 of 3 right");
    const log = await ownLog(pupil);
    expect(log.map(({ earned }) => earned)).toEqual([1, 0, 1]);
    const answered = await answersOfPerson(app.school.db.read, pupil.studentId);
    expect(answered.map(({ sittingItemId }) => sittingItemId)).toEqual(shown);
    await answerOnPage(app, page, "right");
    await goOn(page);
    expect(await ownLog(pupil)).toHaveLength(4);
  });

  it("sends what was kept after a reload", async () => {
    await page.waitForSelector("form");
    await page.setOfflineMode(true);
    await answerOnPage(app, page, "right");
    await wait(page, "Kept on this device");
    const context = page.browserContext();
    await page.close();
    page = await openPage(context, 820, 1180);
    await page.goto(`${app.base}/river/${workId}`);
    await wait(page, "1 answer has been sent");
    expect(await ownLog(pupil)).toHaveLength(1);
  });
});

describe("a browser that keeps nothing, as a private window does", () => {
  it("works with a connection, says that it can't do without, and holds what was answered meanwhile", async () => {
    await page.evaluateOnNewDocument(() => Reflect.deleteProperty(window, "indexedDB"));
    await page.evaluateOnNewDocument(() => Reflect.deleteProperty(Window.prototype, "indexedDB"));
    await page.reload();
    await wait(page, "This browser can't keep answers");
    await answerOnPage(app, page, "right");
    await goOn(page);
    expect(await ownLog(pupil)).toHaveLength(1);
    await page.setOfflineMode(true);
    await answerOnPage(app, page, "right");
    await wait(page, "Leave this page open");
    await page.setOfflineMode(false);
    await wait(page, "1 answer has been sent");
    expect(await ownLog(pupil)).toHaveLength(2);
  });
});

it("what students read and type is set in a face for beginning readers, and their list is headed with what is now", async () => {
  await page.waitForSelector("form[data-presentation]");
  const faces = await page.$$eval("form p, form input, form label, footer span", (parts) =>
    parts.map((part) => getComputedStyle(part).fontFamily),
  );
  expect(faces.length).toBeGreaterThan(3);
  for (const face of faces) expect(face).toMatch(/^"?Andika/);
  const loaded = await page.evaluate(async () => {
    await document.fonts.ready;
    return [...document.fonts].some(({ family, status }) => family.includes("Andika") && status === "loaded");
  });
  expect(loaded).toBe(true);
  await page.goto(`${app.base}/river`);
  await page.waitForSelector("h2 ::-p-text(Now)");
});

describe("two windows, wrong doors", () => {
  it("takes an answer from one window only and shows where one is", async () => {
    const other = await openPage(page.browserContext(), 820, 1180);
    await other.goto(`${app.base}/river/${workId}`);
    await other.waitForSelector("form");
    await answerOnPage(app, page, "right");
    await page.waitForSelector("[data-next]");
    await answerOnPage(app, other, "wrong");
    await wait(other, "in another window");
    expect(await ownLog(pupil)).toHaveLength(1);
  });

  it("keeps students out of the desk and out of work that is not theirs", async () => {
    await page.goto(`${app.base}/desk/all/evidence`);
    expect(new URL(page.url()).pathname).toBe("/river");
    await page.goto(`${app.base}/river/00000000-0000-7000-8000-000000000000`);
    await wait(page, "not on your list");
    const status = await page.evaluate(
      async (id) => (await fetch(`/api/students/${id}`)).status,
      slips[0]?.studentId ?? "",
    );
    expect(status).toBe(403);
    const post = (from: Page, bytes: number) =>
      from.evaluate(
        async (size) => (await fetch("/api/answers", { method: "POST", body: " ".repeat(size) })).status,
        bytes,
      );
    expect(await post(page, 9000)).toBe(413);
    const stranger = await openPage(await browser.createBrowserContext());
    const open = async (path: string) => (await stranger.goto(`${app.base}${path}`))?.url();
    expect(await open("/desk/all/roster")).toContain("/sign-in");
    expect(await open("/river")).toContain("/sign-in");
    // Who asks comes before what is sent: nothing of it is read.
    for (const bytes of [2, 9000]) expect(await post(stranger, bytes)).toBe(401);
  });

  it("makes a guesser wait after four wrong PINs and says how long; the teacher lets the child in again in one move", async () => {
    const [locked] = slips.slice(-1);
    const door = await openPage(await browser.createBrowserContext());
    await door.goto(`${app.base}/sign-in`);
    await fill(door, "#code", "NOSUCH");
    await click(door, "button[type=submit]");
    await wait(door, "No class has this code");
    await fill(door, "#code", locked?.code ?? "");
    await click(door, "button[type=submit]");
    await click(door, `li button ::-p-text(${locked?.name.split(" ")[0]})`);
    const wrong = locked?.pin === "0000" ? "1111" : "0000";
    for (let n = 3; n >= 0; n--) {
      await door.waitForSelector("#pin:not([disabled])");
      await fill(door, "#pin", wrong);
      await wait(door, n > 0 ? "That PIN is not right" : "ask your teacher");
    }
    await door.waitForSelector("[role=timer] ::-p-text(0:1)");
    expect(await door.$("#pin")).toBeNull();
    const teacher = await openPage(await browser.createBrowserContext());
    await signInTeacher(teacher, app.base, "ana@school.example", PASSWORD);
    await wait(teacher, "held at the door");
    await click(teacher, "button ::-p-text(Let them in)");
    await wait(teacher, "They can try again at once");
    await teacher.waitForFunction(() => !document.body.innerText.includes("held at the door"));
    const { code = "", name = "", pin = "" } = locked ?? {};
    await signInPupil(door, app.base, { code, name, pin });
    for (const path of ["work/nothing", "regroup/nothing", "library/nothing", "roster/import/nothing"]) {
      await teacher.goto(`${app.base}/desk/all/${path}`);
      await wait(teacher, "This can't be shown");
    }
    await teacher.goto(`${app.base}/desk/no-such-class/work`);
    expect(new URL(teacher.url()).pathname).toBe("/desk/all");
    await teacher.goto(`${app.base}/nowhere`);
    await wait(teacher, "no page at this address");
  });
});

it("says that the time is over when it is, and still takes what was answered in time", async () => {
  await page.waitForSelector("form");
  await page.setOfflineMode(true);
  await answerOnPage(app, page, "right");
  await wait(page, "Kept on this device");
  await app.kill();
  const teacher = await app.school.teacher();
  await moveDueDay(teacher, { assignmentId: workId, dueDay: "2026-11-23" });
  const due = instantAt(await schoolOf(app.school.runtime, app.school.schoolId), "2026-11-23", "20:00");
  await app.start(due + 60_000);
  await page.setOfflineMode(false);
  const context = page.browserContext();
  await page.close();
  const late = await openPage(context, 820, 1180);
  await signInPupil(late, app.base, pupil);
  await wait(late, "1 answer has been sent");
  expect(await ownLog(pupil)).toHaveLength(1);
  await late.goto(`${app.base}/river/${workId}`);
  await wait(late, "The time for this work is over");
});
