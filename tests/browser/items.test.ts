import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { Crossing } from "@/core/items/grid/body";
import { ITEM_KINDS, type ItemKind } from "@/core/items/itemKind";
import type { LineMark } from "@/core/items/numberLine/body";
import { newSignIns } from "@/features/roster/writes/newSignIns";
import { answersOnPage, type TestApp, testApp } from "../support/app";
import { axeFindings } from "../support/axe";
import { byText, choose, click, fill, openBrowser, openPage, signInPupil, signInTeacher } from "../support/browser";
import { bodyWith, putItem } from "../support/newItem";
import { PARTS } from "../support/partsOfEveryKind";
import { givePractice, makeClass, PASSWORD } from "../support/school";

let app: TestApp;
let browser: Browser;
let workId = "";
const pupils: Page[] = [];

beforeAll(async () => {
  let slips: readonly { name: string; code: string; pin: string }[] = [];
  app = await testApp(async (school) => {
    const { classId, studentIds } = await makeClass(school, 2);
    for (const kind of ITEM_KINDS) await putItem(school, `own/${kind}`, bodyWith(PARTS[kind]));
    const picked = ITEM_KINDS.map((kind) => ({ itemId: `own/${kind}`, skillId: "ratio-language", seed: 5 }));
    workId = await givePractice(school, classId, studentIds, {
      kind: "amount",
      skillIds: ["ratio-language"],
      items: picked.length,
      picked,
    });
    slips = (await newSignIns(await school.teacher(), { studentIds })) as never;
  });
  browser = await openBrowser();
  for (const [place, slip] of slips.entries()) {
    const page = await openPage(
      await browser.createBrowserContext(),
      place === 0 ? 1280 : 820,
      place === 0 ? 800 : 1180,
    );
    await signInPupil(page, app.base, slip);
    await click(page, "ul a");
    pupils.push(page);
  }
});
afterAll(async () => {
  await browser?.close();
  await app?.close();
});

/** The response as it is sent, as wide as all kinds together. */
interface AnySent {
  readonly text: string;
  readonly option: string;
  readonly options: readonly string[];
  readonly choices: Readonly<Record<string, string>>;
  readonly order: readonly string[];
  readonly pairs: Readonly<Record<string, string>>;
  readonly chosen: readonly string[];
  readonly mark: LineMark;
  readonly points: readonly Crossing[];
  readonly lines: readonly string[];
  readonly shaded: readonly number[];
}
type Way = (page: Page, sent: AnySent) => Promise<void>;

const press = async (page: Page, key: string, times = 1) => {
  for (let n = 0; n < times; n++) await page.keyboard.press(key as "Tab");
};
const focusOn = (page: Page, selector: string) =>
  page.$eval(selector, (element) => (element as HTMLElement | SVGElement).focus());
const typed: Way = (page, { text }) => fill(page, "form input[data-answer]", text);
const typedByKeys: Way = async (page, { text }) => {
  await focusOn(page, "form input[data-answer]");
  await page.keyboard.type(text);
};
const place = async (page: Page, selector: string, at: number) => {
  const cells = await page.$$(selector);
  await cells[at]?.click();
};
/** Puts what stands at a place of the list where it belongs, by its buttons. */
const sortRows = async (page: Page, order: readonly string[], move: (selector: string) => Promise<void>) => {
  for (const [wanted, letter] of order.entries())
    for (;;) {
      const now = await page.$$eval("[data-move$=' up']", (all) =>
        all.map((one) => (one as HTMLElement).dataset.move?.[0]),
      );
      const at = now.indexOf(letter);
      if (at <= wanted) break;
      await move(`[data-move="${letter} up"]`);
    }
};
const lineByLine: Way = async (page, { lines }) => {
  await focusOn(page, "form input[data-answer]");
  for (const [place, line] of lines.entries()) {
    if (place > 0) await page.keyboard.press("Enter");
    await page.waitForFunction(
      (n) => document.activeElement?.getAttribute("aria-label") === `Line ${n}`,
      {},
      place + 1,
    );
    await page.keyboard.type(line);
  }
};
const radio = (side: "Left" | "Right", value: string) => `form input[name="a ${side} end"][value="${value}"]`;

const BY_MOUSE: Readonly<Record<ItemKind, Way>> = {
  number: typed,
  "short-text": typed,
  expression: async (page, { text }) => {
    await (await byText(page, "form button", "Set it as a formula"))?.click();
    await page.waitForFunction(() => document.activeElement?.tagName === "MATH-FIELD");
    await page.keyboard.type(text);
    const bare = (written: string) => written.replace(/\s/g, "");
    await page.waitForFunction(
      (wanted) =>
        document.querySelector<HTMLInputElement>("form input[data-answer]")?.value.replace(/\s/g, "") === wanted,
      {},
      bare(text),
    );
  },
  written: (page, { text }) => fill(page, "form textarea[data-answer]", text),
  steps: async (page, { lines }) => {
    for (const [place, line] of lines.entries()) {
      if (place > 0) await (await byText(page, "form button", "One more line"))?.click();
      await fill(page, `form input[aria-label='Line ${place + 1}']`, line);
    }
  },
  "single-choice": (page, { option }) => click(page, `form input[value="${option}"]`),
  "multiple-choice": async (page, { options }) => {
    for (const letter of options) await click(page, `form input[value="${letter}"]`);
  },
  "inline-choice": async (page, { choices }) => {
    for (const [gap, letter] of Object.entries(choices))
      await choose(page, `form select[aria-label='Gap ${gap}']`, letter);
  },
  order: (page, { order }) => sortRows(page, order, (selector) => click(page, selector)),
  matching: async (page, { pairs }) => {
    for (const [thing, letter] of Object.entries(pairs))
      await click(page, `form fieldset:nth-of-type(${thing}) label:nth-of-type(${letter.charCodeAt(0) - 64})`);
  },
  "select-words": async (page, { chosen }) => {
    for (const one of chosen) await place(page, "form button[data-cell]", Number(one) - 1);
  },
  "number-line": async (page, { mark }) => {
    const interval = mark as Extract<LineMark, { low: number | null }>;
    const box = await (await page.$("form svg"))?.boundingBox();
    if (!box || interval.low === null) throw new Error("The line is not there.");
    // Places stand from 36 to 604 of 640, 8 steps apart.
    await page.mouse.click(box.x + (box.width * (36 + (568 * interval.low) / 8)) / 640, box.y + box.height / 2);
    await click(page, radio("Left", "without"));
    await click(page, radio("Right", "none"));
  },
  grid: async (page, { points }) => {
    const plane = await page.$("form svg[role=application]");
    await plane?.scrollIntoView();
    const box = await plane?.boundingBox();
    if (!box) throw new Error("The grid is not there.");
    const at = (line: number) => (38 + (364 * line) / 10) / 440;
    for (const [x, y] of points) await page.mouse.click(box.x + box.width * at(x), box.y + box.height * (1 - at(y)));
  },
  shading: async (page, { shaded }) => {
    for (const part of shaded) await place(page, "form button[data-cell]", part);
  },
};

const BY_KEYS: Readonly<Record<ItemKind, Way>> = {
  number: typedByKeys,
  "short-text": typedByKeys,
  expression: typedByKeys,
  written: async (page, { text }) => {
    await focusOn(page, "form textarea[data-answer]");
    await page.keyboard.type(text);
  },
  steps: lineByLine,
  "single-choice": async (page, { option }) => {
    await focusOn(page, "form input[type=radio]");
    await press(page, "Space");
    await press(page, "ArrowDown", option.charCodeAt(0) - 65);
  },
  "multiple-choice": async (page, { options }) => {
    await focusOn(page, "form input[type=checkbox]");
    for (let n = 0; n < 4; n++) {
      if (options.includes(String.fromCharCode(65 + n))) await press(page, "Space");
      await press(page, "Tab");
    }
  },
  "inline-choice": async (page, { choices }) => {
    await focusOn(page, "form select");
    for (const letter of Object.values(choices)) {
      await press(page, "ArrowDown", letter.charCodeAt(0) - 64);
      await press(page, "Tab");
    }
  },
  order: (page, { order }) =>
    sortRows(page, order, async (selector) => {
      await focusOn(page, selector);
      await press(page, "Enter");
    }),
  matching: async (page, { pairs }) => {
    await focusOn(page, "form fieldset input");
    for (const letter of Object.values(pairs)) {
      await press(page, "Space");
      await press(page, "ArrowRight", letter.charCodeAt(0) - 65);
      await press(page, "Tab");
    }
  },
  "select-words": async (page, { chosen }) => {
    await focusOn(page, "form button[data-cell]");
    for (let n = 1; n <= 4; n++) {
      if (chosen.includes(String(n))) await press(page, "Space");
      await press(page, "ArrowRight");
    }
  },
  "number-line": async (page, { mark }) => {
    const { low } = mark as Extract<LineMark, { low: number | null }>;
    await focusOn(page, "form [role=slider]");
    await press(page, "Home");
    await press(page, "ArrowRight", low ?? 0);
    await focusOn(page, radio("Left", "with"));
    await press(page, "ArrowRight");
    await press(page, "Tab");
    await press(page, "ArrowRight", 2);
  },
  grid: async (page, { points }) => {
    await focusOn(page, "form svg[role=application]");
    for (const [x, y] of points) {
      await press(page, "ArrowLeft", 11);
      await press(page, "ArrowDown", 11);
      await press(page, "ArrowRight", x);
      await press(page, "ArrowUp", y);
      await press(page, "Space");
    }
  },
  shading: async (page, { shaded }) => {
    await focusOn(page, "form button[data-cell]");
    for (let n = 0; n < 12; n++) {
      if (shaded.includes(n)) await press(page, "Space");
      await press(page, "ArrowRight");
    }
  },
};

const WAYS = [
  ["with the mouse", BY_MOUSE, 0],
  ["with the keyboard alone, on a tablet", BY_KEYS, 1],
] as const;

describe.each(WAYS)("a student %s", (_, ways, pupil) => {
  it.each(ITEM_KINDS)("answers an item of the kind %s, on a page without barriers", async (kind) => {
    const page = pupils[pupil] as Page;
    await page.bringToFront();
    await page.waitForSelector("form[data-presentation] button[type=submit]:not([disabled])");
    const { presentationId, right } = await answersOnPage(app, page);
    expect(await axeFindings(page)).toEqual([]);
    await ways[kind](page, right.a as AnySent);
    if (pupil === 0) await click(page, "form button[type=submit]");
    else {
      await page.focus("form button[type=submit]");
      await page.keyboard.press("Enter");
    }
    const said = await page.waitForSelector("form [aria-live] h2");
    const wanted = kind === "written" ? /handed in/i : /right/i;
    expect(await said?.evaluate((heading) => heading.textContent)).toMatch(wanted);
    await page.waitForSelector("[data-next]");
    await page.keyboard.press("Enter");
    await page.waitForFunction(
      (old) => document.querySelector<HTMLElement>("form")?.dataset.presentation !== old,
      {},
      presentationId,
    );
  });
});

describe("their teacher", () => {
  it("scores what they wrote, by keys alone, on a page without barriers", async () => {
    const page = await openPage(await browser.createBrowserContext());
    await signInTeacher(page, app.base, "ana@school.example", PASSWORD);
    await page.goto(`${app.base}/desk/all/work/${workId}/score`);
    const answers = await page.$$eval("li[data-answer]", (all) =>
      all.map((one) => (one as HTMLElement).dataset.answer),
    );
    expect(answers).toHaveLength(2);
    expect(await axeFindings(page)).toEqual([]);
    const said = (place: number, words: string) =>
      page.waitForFunction(
        (id, text) => document.querySelector(`li[data-answer="${id}"] [role=status]`)?.textContent?.includes(text),
        {},
        answers[place],
        words,
      );
    await focusOn(page, `li[data-answer="${answers[0]}"] input`);
    await page.keyboard.press("2");
    await said(0, "2 of 2 points");
    await page.keyboard.press("Enter");
    expect(await page.evaluate(() => document.activeElement?.closest("li")?.dataset.answer)).toBe(answers[1]);
    await page.keyboard.press("1");
    await said(1, "1 of 2 points");
    await page.goto(`${app.base}/desk/all/work/${workId}`);
    await byText(page, "a", "Written answers, all scored");
  });
});
