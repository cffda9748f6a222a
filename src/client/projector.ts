"use client";
import { sayDone } from "./notices";

const KEY = "oxbow.projector";

/** Whether names are hidden, because the screen is on the wall. */
export const projectorOn = (): boolean => document.documentElement.dataset.projector === "on";

/** Hides names or shows them again; it ends with the tab, so that nobody finds it on by surprise tomorrow. */
export function toggleProjector(): void {
  const on = !projectorOn();
  if (on) document.documentElement.dataset.projector = "on";
  else delete document.documentElement.dataset.projector;
  try {
    sessionStorage.setItem(KEY, on ? "on" : "off");
  } catch {
    // Without storage the choice lasts until the page is reloaded.
  }
  sayDone(on ? "Names are hidden. Press g p, or use the person menu, to show them." : "Names are shown again.");
}
