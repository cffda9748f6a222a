import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { factAnswer } from "@/core/fluency/factAnswer";
import { factOfId } from "@/core/fluency/factOfId";
import type { SignInSlip } from "@/features/roster/types";
import { newSignIns } from "@/features/roster/writes/newSignIns";
import { factText } from "@/words/factWords";
import { type TestApp, testApp } from "../support/app";
import { axeFindings } from "../support/axe";
import { click, openBrowser, openPage, signInPupil, signInTeacher } from "../support/browser";
import { makeClass, PASSWORD } from "../support/school";

let app: TestApp;
let browser: Browser;
let teacher: Page;
let student: Page;
let slips: SignInSlip[] = [];
let met = "";

beforeAll(async () => {
  app = await testApp(async (school) => {
    const { studentIds } = await makeClass(school, 3, "6 Hazel");
    slips = await newSignIns(await school.teacher(), { studentIds });
  });
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
const asked = (): Promise<{ id: string; kind: string } | null> =>
  student.evaluate(() => {
    const shown = document.querySelector("[data-fact]");
    return shown ? { id: shown.getAttribute("data-fact") ?? "", kind: shown.getAttribute("data-kind") ?? "" } : null;
  });
const rightOf = (id: string) => {
  const fact = factOfId(id);
  return String(fact ? factAnswer(fact) : Number(id));
};

/** Runs in the page: time to answer is counted by keys and clicks, and luck comes out the same; the machine must decide neither. */
function ownWatch(): void {
  const PER_KEY = 300;
  let passed = 0;
  performance.now = () => passed;
  for (const kind of ["keydown", "pointerdown"]) addEventListener(kind, () => (passed += PER_KEY), true);
  let state = 20261123;
  Math.random = () => {
    state = (state * 48_271) % 2_147_483_647;
    return state / 2_147_483_647;
  };
}

/** Answers with the keyboard as long as a kind is asked; gives the facts that were asked. */
async function answerAll(kind: string, how: (id: string) => string, most = 80): Promise<string[]> {
  const all: string[] = [];
  for (let n = 0; n < most; n++) {
    const now = await asked();
    if (now?.kind !== kind) return all;
    all.push(now.id);
    await student.keyboard.type(how(now.id));
    const before = await student.$("[data-fact]");
    await student.keyboard.press("Enter");
    await student.waitForFunction((shown) => !shown?.isConnected, {}, before);
  }
  return all;
}

describe("number facts", () => {
  it("are switched on for a class in a sentence, with what cannot be said in place", async () => {
    await teacher.goto(`${app.base}/desk/6-hazel/work`, { waitUntil: "load" });
    await click(teacher, "a ::-p-text(Number facts)");
    await says("6 Hazel does not practise number facts.", teacher);
    await click(teacher, "button ::-p-text(Practise daily)");
    await teacher.waitForSelector("[aria-label^='Minutes a day']");
    await click(teacher, "[aria-label^='Highest operand']");
    await click(teacher, "label ::-p-text(up to 5)");
    await teacher.waitForSelector("[aria-label^='Highest operand: 5']");
    await teacher.keyboard.press("Escape");
    await click(teacher, "[aria-label^='Minutes a day']");
    await click(teacher, "label ::-p-text(2 min a day)");
    await teacher.waitForSelector("[aria-label^='Minutes a day: 2']");
    await teacher.keyboard.press("Escape");
    await click(teacher, "[aria-label^='Daily goal']");
    await click(teacher, "label ::-p-text(80 facts in time)");
    await says("In 2 min there is time for about 30 facts", teacher);
    await click(teacher, "label ::-p-text(10 facts in time)");
    await teacher.waitForSelector("[aria-label^='Daily goal: 10']");
    await teacher.keyboard.press("Escape");
  });

  it("begin with copying and placement, end in a drill in which a wrong fact is shown as a picture", async () => {
    student = await openPage(await browser.createBrowserContext(), 820, 1180);
    await student.evaluateOnNewDocument(ownWatch);
    const [slip] = slips;
    if (!slip) throw new Error("no slip");
    await signInPupil(student, app.base, slip);
    await student.bringToFront();
    await says("about 2 minutes", student);
    await click(student, "li a ::-p-text(Begin)");
    await student.waitForSelector("[data-kind=copy]");
    expect(await axeFindings(student)).toEqual([]);
    expect(await answerAll("copy", (id) => id)).toHaveLength(10);
    // All of it is known by heart, but for what has a five.
    const placed = await answerAll("place", (id) => (id.includes("5") ? "1" : rightOf(id)));
    expect(placed.length).toBeGreaterThan(8);
    expect(new Set(placed).size).toBe(placed.length);
    await says("Now we know where to begin", student);
    await click(student, "button ::-p-text(Go on)");
    await student.waitForSelector("[data-kind=drill]");
    // A key that is held down counts once.
    await student.keyboard.down("7");
    await student.keyboard.down("7");
    await student.keyboard.down("7");
    await student.keyboard.up("7");
    expect(await student.$eval("output", (shown) => shown.textContent)).toBe("7");
    await student.keyboard.press("Backspace");
    const first = (await asked())?.id ?? "";
    await click(student, "button ::-p-text(I don't know it yet)");
    await student.waitForSelector("section h2");
    await says(`Type ${rightOf(first)} to go on.`, student);
    expect(await axeFindings(student)).toEqual([]);
    await student.keyboard.type("99");
    await student.keyboard.press("Enter");
    await student.keyboard.type(rightOf(first));
    await student.keyboard.press("Enter");
    await student.waitForSelector("[data-kind=drill]");
    const drilled = await answerAll("drill", rightOf, 12);
    // It comes back after one other.
    expect(drilled[1]).toBe(first);
    met = drilled[0] ?? "";
  });

  it("meet the day's goal, which both see; the teacher sees each fact and its history", async () => {
    await click(student, "a ::-p-text(Stop here any time)");
    await says("your goal of 10 is met", student);
    expect(await axeFindings(student)).toEqual([]);
    await teacher.goto(`${app.base}/desk/6-hazel/work/facts`, { waitUntil: "load" });
    await says("Today 1 of 3 have practised; 1 met the goal.", teacher);
    expect(await axeFindings(teacher)).toEqual([]);
    await click(teacher, "th a ::-p-text(× fives)");
    await says("Teach again: × fives", teacher);
    await says("To talk about", teacher);
    expect(await axeFindings(teacher)).toEqual([]);
    await click(teacher, "button ::-p-text(on the pull list)");
    await click(teacher, "a ::-p-text(To the class)");
    await click(teacher, "th a ::-p-text(facts)");
    await says("Types a digit in", teacher);
    await click(teacher, `button[aria-label^='${factText(met)}:']`);
    await says(`${rightOf(met)} in 0.`, teacher);
    expect(await axeFindings(teacher)).toEqual([]);
  });

  it("differ for one student, and are taken back", async () => {
    await click(teacher, "[aria-label^='Thinking time']");
    await click(teacher, "label ::-p-text(6 s to think)");
    await says("Differs from the class.", teacher);
    await teacher.keyboard.press("Escape");
    await teacher.goto(`${app.base}/desk/6-hazel/work/facts`, { waitUntil: "load" });
    await says("own settings", teacher);
    await teacher.goBack({ waitUntil: "load" });
    await click(teacher, "button ::-p-text(As the class)");
    await teacher.waitForSelector("[aria-label^='Thinking time: 3']");
  });

  it("stop when one wrong answer comes again and again", async () => {
    await student.goto(`${app.base}/river/facts/now`, { waitUntil: "load" });
    await student.waitForSelector("[data-kind=drill]");
    for (let n = 0; n < 6; n++) {
      const { id } = (await asked()) ?? { id: "" };
      await student.keyboard.type("777");
      await student.keyboard.press("Enter");
      await student.waitForFunction(() => document.querySelector("[data-fact]") === null);
      if (n === 5) break;
      await student.keyboard.type(rightOf(id));
      await student.keyboard.press("Enter");
      await student.waitForSelector("[data-fact]");
    }
    const last = await student.$eval("section h2", (title) => title.textContent?.split("=")[1]?.trim() ?? "");
    await student.keyboard.type(last);
    await student.keyboard.press("Enter");
    await says("The same answer came six times", student);
  });

  it("go on without a connection, and are sent when it is back", async () => {
    await click(student, "button ::-p-text(Go on)");
    await student.waitForSelector("[data-kind=drill]");
    await student.setOfflineMode(true);
    await answerAll("drill", rightOf, 6);
    await says("kept on this device", student);
    await student.setOfflineMode(false);
    await says("Saved", student);
  });
});
