import type { ChildProcess } from "node:child_process";
import { openSync, readFileSync } from "node:fs";
import type { Page } from "puppeteer-core";
import { rightResponse, tellingMistakes } from "@/core/items/telling";
import { evidenceAfter } from "@/db/queries/answerLog";
import { itemsOfSitting } from "@/db/queries/sittings";
import { drawerOf } from "@/server/library/drawnItems";
import { sentResponse } from "~/demo/sentResponse";
import { slipOn } from "~/demo/slips";
import { freePort, startApp } from "~/scripts/steps.mjs";
import { click, fill, setPageTime } from "./browser";
import { START, type TestSchool, testSchool } from "./school";

/** The built application on a database of its own, which the test can look into beside it. */
export interface TestApp {
  readonly base: string;
  readonly school: TestSchool;
  /** Ends the server at once, as a power cut would. */
  kill(): Promise<void>;
  start(now?: number, more?: Readonly<Record<string, string>>): Promise<void>;
  /** What the server has written to its log so far. */
  log(): string;
  close(): Promise<void>;
}

export async function testApp(prepare: (school: TestSchool) => Promise<void> = async () => {}): Promise<TestApp> {
  const school = await testSchool();
  await prepare(school);
  // From 4200 on: 4190 is one of the ports to which browsers do not go.
  const port = await freePort(4200 + (process.pid % 500));
  const logFile = `${school.file}.log`;
  let child: ChildProcess | null = null;
  const app: TestApp = {
    base: `http://localhost:${port}`,
    school,
    start: async (now = START, more = {}) => {
      setPageTime(now);
      const env = {
        OXBOW_DATABASE_URL: `file:${school.file}`,
        OXBOW_NOW: new Date(now).toISOString(),
        ...more,
      };
      child = await startApp(port, env, openSync(logFile, "a"));
    },
    log: () => readFileSync(logFile, "utf8"),
    kill: async () => {
      const ended = new Promise((resolve) => child?.once("exit", resolve));
      child?.kill("SIGKILL");
      await ended;
    },
    close: async () => {
      if (child && child.exitCode === null && child.signalCode === null) await app.kill();
      school.close();
    },
  };
  await app.start();
  return app;
}

/** The log as it stands in the database file. */
export const logOf = ({ school }: TestApp) => evidenceAfter(school.db.read, 0, 10_000);

/** The right answer, and one that adds instead of scaling where the item knows it, to the item on the page. */
export async function answersOnPage({ school }: TestApp, page: Page) {
  const presentationId = await page.$eval(
    "form[data-presentation]",
    (form) => (form as HTMLElement).dataset.presentation ?? "",
  );
  const own = await school.db.read.query.sittingItems.findFirst({ where: (t, { eq }) => eq(t.id, presentationId) });
  const shown = (await itemsOfSitting(school.db.read, own?.sittingId ?? "")).find(({ id }) => id === presentationId);
  if (!shown) throw new Error(`No item ${presentationId}`);
  const item = (await drawerOf(school.runtime, [shown.versionId])).draw(shown);
  const habit = tellingMistakes(item).find(({ misconceptionId }) => misconceptionId === "added-instead-of-scaled");
  return {
    presentationId,
    right: sentResponse(item, rightResponse(item)),
    wrong: sentResponse(item, habit?.response ?? slipOn(item, () => 0.5)),
  };
}

/** Types or chooses the answer and hands it in. */
export async function answerOnPage(app: TestApp, page: Page, how: "right" | "wrong"): Promise<string> {
  const presentationId = await writeAnswer(app, page, how);
  await click(page, "form button[type=submit]");
  return presentationId;
}

/** Types or chooses the answer to the item on the page. */
export async function writeAnswer(app: TestApp, page: Page, how: "right" | "wrong"): Promise<string> {
  // A page in the background is not painted, and what is not painted can't be clicked.
  await page.bringToFront();
  await page.waitForSelector("form[data-presentation] button[type=submit]:not([disabled])");
  const answers = await answersOnPage(app, page);
  const parts = Object.values(answers[how]) as { text?: string; option?: string; options?: string[] }[];
  for (const { text, option, options } of parts) {
    if (text !== undefined) await fill(page, "form input[data-answer]", text);
    for (const letter of options ?? (option === undefined ? [] : [option]))
      await click(page, `form input[value="${letter}"]`);
  }
  return answers.presentationId;
}

/** Goes on after feedback. */
export async function goOn(page: Page): Promise<void> {
  await click(page, "button[data-next]");
}

/** Waits until the answer to an item has been taken: its feedback stands there, or another item does. */
async function settled(page: Page, presentationId: string): Promise<void> {
  await page.waitForFunction(
    (id) => {
      const form = document.querySelector<HTMLElement>("form[data-presentation]");
      if (!form || form.dataset.presentation !== id || document.querySelector("[data-next]")) return true;
      return (
        form.querySelector<HTMLButtonElement>("button[type=submit]")?.innerText === "Check again" &&
        form.innerText.includes("one more try")
      );
    },
    {},
    presentationId,
  );
}

/** Works until the work is finished. */
export async function workThrough(app: TestApp, page: Page, how: "right" | "wrong", most = 40): Promise<void> {
  for (let n = 0; n < most; n++) {
    await page.waitForSelector("form[data-presentation], a[href='/river'].border-ink");
    if (!(await page.$("form[data-presentation]"))) return;
    const answered = await answerOnPage(app, page, how);
    await settled(page, answered);
    const next = await page.$("button[data-next]");
    if (next) await goOn(page);
  }
}
