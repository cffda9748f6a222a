import { existsSync } from "node:fs";
import puppeteer, { type Browser, type BrowserContext, type Page } from "puppeteer-core";
import { START } from "./school";

const CHROMIUM = process.env.CHROMIUM ?? "/usr/bin/chromium";

/** How long a page may take, in milliseconds: a guard against waiting for ever, sized for a busy machine. */
const PATIENCE = 60_000;

/** How often a page is looked at for what is waited for, in milliseconds. */
const POLLING = 100;

/** Headless Chromium from Debian's package, with a film for its camera where one is named; closed networks make its background requests hang, so they are off. */
export function openBrowser(film?: string): Promise<Browser> {
  if (!existsSync(CHROMIUM)) throw new Error(`Chromium is not at ${CHROMIUM}; npm test installs it.`);
  return puppeteer.launch({
    executablePath: CHROMIUM,
    headless: true,
    args: [
      "--no-sandbox",
      "--disable-gpu",
      "--disable-quic",
      "--no-first-run",
      "--disable-background-networking",
      "--disable-component-update",
      "--disable-sync",
      "--lang=en-GB",
      ...(film === undefined
        ? []
        : [
            "--use-fake-ui-for-media-stream",
            "--use-fake-device-for-media-stream",
            `--use-file-for-fake-video-capture=${film}`,
          ]),
    ],
  });
}

/** The clock that pages show: the application's. The real day, zone and hour of the machine must not decide a test. */
let pageTime = START;

/** Sets the clock of pages opened from now on. */
export function setPageTime(now: number): void {
  pageTime = now;
}

export async function openPage(browser: Browser | BrowserContext, width = 1280, height = 800): Promise<Page> {
  const page = await browser.newPage();
  await page.evaluateOnNewDocument(moveClock, pageTime - Date.now());
  await page.setViewport({ width, height });
  page.setDefaultTimeout(PATIENCE);
  // Looked at ten times a second and not at each frame: on a busy machine frames are late or do not come, and each costs time.
  const wait = page.waitForFunction.bind(page);
  page.waitForFunction = (condition, options, ...args) => wait(condition, { polling: POLLING, ...options }, ...args);
  return page;
}

/** Runs in the page: a clock that goes on from another instant. */
function moveClock(shift: number): void {
  const RealDate = Date;
  const now = () => RealDate.now() + shift;
  globalThis.Date = new Proxy(RealDate, {
    construct: (target, args, as) => Reflect.construct(target, args.length === 0 ? [now()] : args, as),
    apply: () => new RealDate(now()).toString(),
    get: (target, name) => (name === "now" ? now : Reflect.get(target, name)),
  });
}

/** The first element of a kind whose own words match. */
export const byText = (page: Page, selector: string, text: string) =>
  page.waitForSelector(`${selector} ::-p-text(${text})`, { visible: true });

export async function click(page: Page, selector: string): Promise<void> {
  await awake(page, selector);
  await page.locator(selector).click();
}

export async function fill(page: Page, selector: string, text: string): Promise<void> {
  await awake(page, selector);
  await page.locator(selector).fill(text);
}

/** Presses two keys one right after the other, without waiting between: on a busy machine a pair would come apart. */
export async function pressPair(page: Page, first: "g", second: "h" | "p"): Promise<void> {
  await Promise.all([page.keyboard.press(first), page.keyboard.press(second)]);
}

/** Chooses an option of a list by its value. */
export async function choose(page: Page, selector: string, value: string): Promise<void> {
  await awake(page, selector);
  await page.select(selector, value);
}

/**
 * Waits until React listens to an element: a page made on the server is on the screen before, and a click on it is
 * lost where the machine is slow.
 */
async function awake(page: Page, selector: string): Promise<void> {
  const element = await page.waitForSelector(selector, { visible: true });
  await page.waitForFunction(
    (one) => !one?.isConnected || Object.keys(one).some((key) => key.startsWith("__reactProps")),
    {},
    element,
  );
}

export async function signInTeacher(page: Page, base: string, email: string, password: string): Promise<void> {
  await page.goto(`${base}/sign-in?as=teacher`);
  await fill(page, "#email", email);
  await fill(page, "#password", password);
  await click(page, "button[type=submit]");
  await page.waitForSelector("nav[aria-label='The bend']");
}

export async function signInPupil(
  page: Page,
  base: string,
  pupil: { code: string; name: string; pin: string },
): Promise<void> {
  await page.goto(`${base}/sign-in`);
  await fill(page, "#code", pupil.code);
  await click(page, "button[type=submit]");
  const [given = "", family = ""] = pupil.name.split(" ");
  await click(page, `li button ::-p-text(${given} ${family.slice(0, 1)})`);
  await fill(page, "#pin", pupil.pin);
  await page.waitForFunction(() => location.pathname === "/river");
}
