"use client";

interface Told {
  readonly serverNow: number;
  readonly deviceNow: number;
  readonly monotonic: number;
}

let told: Told | null = null;

/** Takes over what the server just said its time is. */
export function tellServerTime(serverNow: number): void {
  told = { serverNow, deviceNow: Date.now(), monotonic: performance.now() };
  remember(told);
}

/**
 * The same for what a page brought along: a page that the browser shows again from its memory, or from what the device keeps, tells of the past.
 * Then what the server told last, on whatever page, and what has passed since by the device's clock, is nearer.
 */
export function tellServerTimeOfPage(serverNow: number): void {
  if (told === null) {
    const before = remembered();
    if (before && serverNow <= before.serverNow) told = { ...before, monotonic: performance.now() };
  }
  if (told === null || serverNow > serverTime()) tellServerTime(serverNow);
}

const NAME = "oxbow-server-clock";

function remember({ serverNow, deviceNow }: Told): void {
  try {
    localStorage.setItem(NAME, JSON.stringify({ serverNow, deviceNow }));
  } catch {
    // A device that keeps nothing opens no page without a connection either.
  }
}

function remembered(): Omit<Told, "monotonic"> | null {
  try {
    const { serverNow, deviceNow } = JSON.parse(localStorage.getItem(NAME) ?? "{}");
    return Number.isFinite(serverNow) && Number.isFinite(deviceNow) ? { serverNow, deviceNow } : null;
  } catch {
    return null;
  }
}

/**
 * The time by the server's clock: what it last told and what has passed since. A device's clock may be wrong or be set
 * meanwhile, and its steady counter stands still while the lid is closed, so whichever has moved further counts. Before the
 * server has told anything, the device's own clock is all there is.
 */
export function serverTime(): number {
  if (told === null) return Date.now();
  return told.serverNow + Math.max(0, Date.now() - told.deviceNow, performance.now() - told.monotonic);
}
