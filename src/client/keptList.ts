"use client";
import { useMemo, useSyncExternalStore } from "react";

const NOTHING = "[]";

export interface KeptList<Entry> {
  /** What is on the list, over a reload and in every window of this browser. */
  use(): readonly Entry[];
  now(): readonly Entry[];
  write(entries: readonly Entry[]): void;
}

/** A list that this browser keeps under a key; what does not read as an entry is left out. */
export function keptList<Entry>(key: string, isEntry: (value: unknown) => value is Entry): KeptList<Entry> {
  const listeners = new Set<() => void>();
  const read = (): string => {
    try {
      return localStorage.getItem(key) ?? NOTHING;
    } catch {
      return NOTHING;
    }
  };
  const subscribe = (listener: () => void): (() => void) => {
    listeners.add(listener);
    window.addEventListener("storage", listener);
    return () => {
      listeners.delete(listener);
      window.removeEventListener("storage", listener);
    };
  };
  const parse = (text: string): readonly Entry[] => {
    try {
      const value: unknown = JSON.parse(text);
      return Array.isArray(value) ? value.filter(isEntry) : [];
    } catch {
      return [];
    }
  };
  return {
    use: () => {
      const text = useSyncExternalStore(subscribe, read, () => NOTHING);
      return useMemo(() => parse(text), [text]);
    },
    now: () => parse(read()),
    write: (entries) => {
      try {
        localStorage.setItem(key, JSON.stringify(entries));
      } catch {
        // Storage may be full or forbidden; the list then lasts as long as nothing else is shown.
      }
      for (const listener of listeners) listener();
    },
  };
}
