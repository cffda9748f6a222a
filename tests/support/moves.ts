import type { Page } from "puppeteer-core";
import { choose, click, fill } from "./browser";

/** A teacher's moves, counted: every click, every choice and every field that is filled is one. */
export interface Moves {
  readonly count: () => number;
  click(selector: string): Promise<void>;
  fill(selector: string, text: string): Promise<void>;
  choose(selector: string, value: string): Promise<void>;
  /** Looking at something is no move, but takes time. */
  wait(words: string): Promise<void>;
}

export function moves(page: Page): Moves {
  let made = 0;
  const counted = async (move: Promise<void>) => {
    made++;
    await move;
  };
  return {
    count: () => made,
    click: (selector) => counted(click(page, selector)),
    fill: (selector, text) => counted(fill(page, selector, text)),
    choose: (selector, value) => counted(choose(page, selector, value)),
    wait: async (words) => {
      await page.waitForFunction((text) => document.body.innerText.includes(text), {}, words);
    },
  };
}
