"use client";
import { useCallback, useMemo, useSyncExternalStore } from "react";

/** An item that somebody gathers while searching. */
export interface Gathered {
  readonly id: string;
  readonly line: string;
  /** Whole seconds that it is expected to take. */
  readonly seconds: number;
}

const KEY = "oxbow.bundle";
const NOTHING = "[]";
const MOST = 40;
const listeners = new Set<() => void>();

function read(): string {
  try {
    return localStorage.getItem(KEY) ?? NOTHING;
  } catch {
    return NOTHING;
  }
}

function write(entries: readonly Gathered[]): void {
  try {
    localStorage.setItem(KEY, JSON.stringify(entries));
  } catch {
    // Storage may be full or forbidden; the bundle then lasts as long as nothing else is shown.
  }
  for (const listener of listeners) listener();
}

/** Empties the bundle, whoever filled it: the next person at this browser is another one. */
export const forgetBundle = (): void => write([]);

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  window.addEventListener("storage", listener);
  return () => {
    listeners.delete(listener);
    window.removeEventListener("storage", listener);
  };
}

function parse(text: string): readonly Gathered[] {
  try {
    const value: unknown = JSON.parse(text);
    return Array.isArray(value)
      ? value.filter((one): one is Gathered => typeof one?.id === "string" && typeof one?.seconds === "number")
      : [];
  } catch {
    return [];
  }
}

/** What was gathered in this browser: it stays across searches, and over a reload. */
export function useBundle() {
  const text = useSyncExternalStore(subscribe, read, () => NOTHING);
  const entries = useMemo(() => parse(text), [text]);
  const add = useCallback((more: readonly Gathered[]) => {
    const now = parse(read());
    write([...now, ...more.filter(({ id }) => !now.some((one) => one.id === id))].slice(0, MOST));
  }, []);
  const remove = useCallback((id: string) => write(parse(read()).filter((one) => one.id !== id)), []);
  const clear = useCallback(() => write([]), []);
  return { entries, has: (id: string) => entries.some((one) => one.id === id), add, remove, clear, most: MOST };
}
