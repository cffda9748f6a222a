import type { Page } from "puppeteer-core";

/** Waits until the slots of the plan on a page stand so. */
export const showsSlots = (page: Page, wanted: readonly string[]) =>
  page.waitForFunction(
    (list) =>
      [...document.querySelectorAll("ol[aria-label=Slots] > li button[aria-pressed]")]
        .map((one) => one.textContent)
        .join("|") === list.join("|"),
    {},
    wanted,
  );
