import type { Page } from "puppeteer-core";
import type { LineMark } from "@/core/items/numberLine/body";
import { byText, choose, click, fill } from "./browser";

/** What is sent of a part, as wide as all kinds together that a student answers without a person to score it. */
interface Sent {
  readonly text?: string;
  readonly option?: string;
  readonly options?: readonly string[];
  readonly choices?: Readonly<Record<string, string>>;
  readonly order?: readonly string[];
  readonly pairs?: Readonly<Record<string, string>>;
  readonly chosen?: readonly string[];
  readonly mark?: LineMark;
  readonly points?: readonly (readonly [number, number])[];
  readonly lines?: readonly string[];
  readonly shaded?: readonly number[];
}

const MOST_LINES_OF_A_GRID = 41;

const press = async (page: Page, key: string, times = 1) => {
  for (let n = 0; n < times; n++) await page.keyboard.press(key as "Tab");
};
const focusOn = (page: Page, selector: string) =>
  page.$eval(selector, (element) => (element as HTMLElement | SVGElement).focus());

/** Answers the item of one part on a student's page, whatever its kind, as a student would: by typing, choosing, marking. */
export async function answerAnything(page: Page, sent: Sent): Promise<void> {
  const { text, option, options, choices, order, pairs, chosen, mark, points, lines, shaded } = sent;
  if (text !== undefined) await fill(page, "form input[data-answer]", text);
  for (const letter of options ?? (option === undefined ? [] : [option]))
    await click(page, `form input[value="${letter}"]`);
  for (const [gap, letter] of Object.entries(choices ?? {}))
    await choose(page, `form select[aria-label='Gap ${gap}']`, letter);
  if (order) await putInOrder(page, order);
  for (const [thing, letter] of Object.entries(pairs ?? {}))
    await click(page, `form fieldset:nth-of-type(${thing}) label:nth-of-type(${letter.charCodeAt(0) - 64})`);
  for (const place of chosen ?? []) await clickCell(page, Number(place) - 1);
  for (const place of shaded ?? []) await clickCell(page, place);
  if (mark && "point" in mark) {
    await focusOn(page, "form [role=slider]");
    await press(page, "Home");
    await press(page, "ArrowRight", mark.point);
  }
  for (const [x, y] of points ?? []) {
    await focusOn(page, "form svg[role=application]");
    await press(page, "ArrowLeft", MOST_LINES_OF_A_GRID);
    await press(page, "ArrowDown", MOST_LINES_OF_A_GRID);
    await press(page, "ArrowRight", x);
    await press(page, "ArrowUp", y);
    await press(page, "Space");
  }
  for (const [place, line] of (lines ?? []).entries()) {
    if (place > 0) await (await byText(page, "form button", "One more line"))?.click();
    await fill(page, `form input[aria-label='Line ${place + 1}']`, line);
  }
}

async function clickCell(page: Page, place: number): Promise<void> {
  const cells = await page.$$("form button[data-cell]");
  await cells[place]?.click();
}

async function putInOrder(page: Page, order: readonly string[]): Promise<void> {
  for (const [wanted, letter] of order.entries())
    for (;;) {
      const now = await page.$$eval("[data-move$=' up']", (all) =>
        all.map((one) => (one as HTMLElement).dataset.move?.[0]),
      );
      if (now.indexOf(letter) <= wanted) break;
      await click(page, `[data-move="${letter} up"]`);
    }
}
