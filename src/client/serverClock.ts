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
}

/** The same for what a page brought along: a page that the browser shows again from its memory tells of the past. */
export function tellServerTimeOfPage(serverNow: number): void {
  if (told === null || serverNow > serverTime()) tellServerTime(serverNow);
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
