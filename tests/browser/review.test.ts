import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { SignInSlip } from "@/features/roster/types";
import { newSignIns } from "@/features/roster/writes/newSignIns";
import { answerAnything } from "../support/answerAnything";
import { answersOnPage, type TestApp, testApp } from "../support/app";
import { axeFindings } from "../support/axe";
import { click, fill, openBrowser, openPage, signInPupil, signInTeacher } from "../support/browser";
import { givePractice, makeClass, PASSWORD, START, type TestSchool } from "../support/school";
import { workToEnd } from "../support/workToEnd";

const DAY = 86_400_000;
const MASTERED = ["ratio-language", "equivalent-ratios", "ratio-tables"] as const;
let app: TestApp;
let browser: Browser;
let teacher: Page;
let student: Page;
let slips: SignInSlip[] = [];
let pupil = "";
let classId = "";

/** Two students mastered three skills eight weeks ago. */
async function prepare(school: TestSchool): Promise<void> {
  school.setNow(START - 56 * DAY);
  const made = await makeClass(school, 3, "6 Hazel");
  classId = made.classId;
  [pupil = ""] = made.studentIds;
  for (const id of made.studentIds.slice(0, 2))
    for (const skillId of MASTERED) {
      const workId = await givePractice(school, classId, [id], {
        skillIds: [skillId],
        items: 16,
        opensDay: "2026-09-28",
        dueDay: "2026-10-02",
      });
      await workToEnd(school, id, workId, () => "right");
    }
  school.setNow(START);
  slips = await newSignIns(await school.teacher(), { studentIds: made.studentIds });
}

beforeAll(async () => {
  app = await testApp(prepare);
  browser = await openBrowser();
  teacher = await openPage(browser);
  await signInTeacher(teacher, app.base, "ana@school.example", PASSWORD);
});
afterAll(async () => {
  await browser?.close();
  await app?.close();
});

const says = (words: string, on: Page) =>
  on.waitForFunction((text) => document.body.innerText.includes(text), {}, words);
const openReview = () => teacher.goto(`${app.base}/desk/6-hazel/work/review`, { waitUntil: "load" });

/** Answers the item on the page, and goes on if it is over with that. */
async function answer(how: "right" | "wrong"): Promise<void> {
  const answers = await answersOnPage(app, student);
  const [sent] = Object.values(answers[how] as Readonly<Record<string, object>>);
  await answerAnything(student, sent as never);
  await click(student, "form.sitting-item button[type=submit]");
  await student.waitForSelector("form.sitting-item [aria-live] h2, main h2");
}
const goOn = async () => {
  const before = await student.$("form.sitting-item");
  await student.waitForSelector("[data-next]");
  await student.click("[data-next]");
  await student.waitForFunction((form) => !form?.isConnected, {}, before);
};

describe("spaced review", () => {
  it("is switched on in a sentence; what was mastered is in it", async () => {
    await teacher.goto(`${app.base}/desk/6-hazel/work`, { waitUntil: "load" });
    await click(teacher, "a ::-p-text(Review)");
    await says("6 Hazel does not review what was learned.", teacher);
    await click(teacher, "button ::-p-text(Review daily)");
    await teacher.waitForSelector("[aria-label^='Minutes a day']");
    await says("Is it working?", teacher);
    await says("Asked 3", teacher);
    await click(teacher, "[aria-label^='Minutes a day']");
    await click(teacher, "label ::-p-text(5 min a day)");
    await teacher.waitForSelector("[aria-label^='Minutes a day: 5']");
    await teacher.keyboard.press("Escape");
    expect(await axeFindings(teacher)).toEqual([]);
  });

  it("shows what would change before two skills rest; they are asked no more, and come back by undo", async () => {
    await openReview();
    for (const name of ["Ratio language", "Equivalent ratios"]) await click(teacher, `[aria-label='Choose ${name}']`);
    await says("2 skills chosen", teacher);
    await click(teacher, "button ::-p-text(they rest)");
    await teacher.waitForSelector("[role=dialog] table");
    const told = await teacher.$eval("[role=dialog]", (dialog) => (dialog as HTMLElement).innerText);
    expect(told).toMatch(/In eight weeks about \d+ % would be remembered|About as much would be remembered/);
    expect(told).toContain("Ratio language; Equivalent ratios");
    expect(await axeFindings(teacher)).toEqual([]);
    await click(teacher, "[role=dialog] button ::-p-text(Let 2 rest)");
    await says("Resting 2", teacher);
    await says("Asked 1", teacher);
    await click(teacher, "button ::-p-text(Undo)");
    await says("Asked 3", teacher);
    // Once more, for good.
    await openReview();
    await click(teacher, "[aria-label='Choose Ratio language']");
    await click(teacher, "button ::-p-text(it rests)");
    await teacher.waitForSelector("[role=dialog] table");
    await click(teacher, "[role=dialog] button ::-p-text(Let it rest)");
    await says("Resting 1", teacher);
  });

  it("gives a student a session: a miss shows how it goes, leads one step underneath, and comes back", async () => {
    student = await openPage(await browser.createBrowserContext(), 820, 1180);
    const slip = slips.find(({ studentId }) => studentId === pupil);
    if (!slip) throw new Error("no slip");
    await signInPupil(student, app.base, slip);
    await student.bringToFront();
    await says("2 things you learned come back", student);
    await click(student, "li button ::-p-text(Begin)");
    await student.waitForSelector("form.sitting-item");
    await answer("wrong");
    await says("this is how it goes", student);
    expect(await axeFindings(student)).toEqual([]);
    await answer("wrong");
    await goOn();
    await says("A step underneath:", student);
    await answer("right");
    await goOn();
    for (let n = 0; n < 2; n++) {
      await answer("right");
      await goOn();
    }
    await says("Done for today", student);
    await click(student, "a ::-p-text(See what I keep)");
    await student.waitForFunction(() => location.pathname === "/river/kept");
    await says("Done for today.", student);
    await says("Rests", student);
    expect(await axeFindings(student)).toEqual([]);
  });

  it("tells the teacher what came of it, and takes a skill out without taking what was shown", async () => {
    await openReview();
    await says("right at first", teacher);
    const line = () =>
      teacher.$$eval("table tbody tr", (rows) =>
        rows.map((row) => (row as HTMLElement).innerText.replace(/\s+/g, " ")).filter((text) => text.includes("done")),
      );
    expect((await line())[0]).toMatch(/1 of 2 done/);
    await click(teacher, "[aria-label='Choose Ratio tables']");
    await click(teacher, "button ::-p-text(it is taken out)");
    await teacher.waitForSelector("[role=dialog] table");
    await click(teacher, "[role=dialog] button ::-p-text(Take it out)");
    await says("Taken out 1", teacher);
    await teacher.goto(`${app.base}/desk/6-hazel/evidence`, { waitUntil: "load" });
    await teacher.waitForSelector("[data-cell], .gauge-mastered");
    expect((await teacher.$$(".gauge-mastered")).length).toBeGreaterThanOrEqual(3);
  });

  it("is taken in by choice, several at once, and set for one student alone, by the keyboard", async () => {
    await openReview();
    await click(teacher, "button ::-p-text(Take skills in)");
    await fill(teacher, "[role=dialog] input[placeholder]", "fraction");
    const boxes = await teacher.$$("[role=dialog] fieldset input[type=checkbox]");
    expect(boxes.length).toBeGreaterThanOrEqual(2);
    for (const box of boxes.slice(0, 2)) {
      await box.focus();
      await teacher.keyboard.press("Space");
    }
    await click(teacher, "[role=dialog] button ::-p-text(Take 2 in)");
    await says("Asked 3", teacher);
    await openReview();
    await click(teacher, "table a ::-p-text(review)");
    await says("Review of Student00", teacher);
    await click(teacher, "[aria-label^='Minutes a day']");
    await click(teacher, "label ::-p-text(15 min a day)");
    await says("Settings of their own.", teacher);
    await teacher.reload({ waitUntil: "load" });
    await says("Settings of their own.", teacher);
    expect(await axeFindings(teacher)).toEqual([]);
    await click(teacher, "button ::-p-text(As the class)");
    await teacher.waitForSelector("[aria-label^='Minutes a day: 5']");
    await teacher.waitForFunction(() => !document.body.innerText.includes("Settings of their own."));
  });
});
