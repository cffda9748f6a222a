"use client";
import { useEffect } from "react";

const OFF_KEY = "oxbow.shortcuts-off";

export function shortcutsOff(): boolean {
  try {
    return localStorage.getItem(OFF_KEY) === "yes";
  } catch {
    return false;
  }
}

export function setShortcutsOff(off: boolean): void {
  try {
    if (off) localStorage.setItem(OFF_KEY, "yes");
    else localStorage.removeItem(OFF_KEY);
  } catch {
    // Without storage the choice lasts until the next page.
  }
}

/** How long the second key of a pair such as "g t" may take, in milliseconds. */
const PAIR_MILLISECONDS = 1200;

/** Single-key shortcuts ("/", "1", "g t") while nothing is being typed; off when the person switched them off. */
export function useShortcuts(shortcuts: Readonly<Record<string, () => void>>): void {
  useEffect(() => {
    let first = "";
    let firstAt = 0;
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      const typing = target.closest("input, textarea, select, [contenteditable=true], [role=dialog]");
      if (typing || event.ctrlKey || event.metaKey || event.altKey || shortcutsOff()) return;
      const pair = first !== "" && event.timeStamp - firstAt < PAIR_MILLISECONDS ? `${first} ${event.key}` : event.key;
      const run = shortcuts[pair] ?? shortcuts[event.key];
      first = event.key;
      firstAt = event.timeStamp;
      if (!run) return;
      first = "";
      event.preventDefault();
      run();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [shortcuts]);
}
