"use client";
import { useCallback, useMemo, useSyncExternalStore } from "react";

/** A student whom the teacher is about to pull aside. */
export interface Pulled {
  readonly id: string;
  readonly name: string;
  /** The skill in view when the student was put on the list. */
  readonly skillId: string | null;
}

const KEY = "oxbow.pull-list";
const NOTHING = "[]";
const listeners = new Set<() => void>();

function read(): string {
  try {
    return localStorage.getItem(KEY) ?? NOTHING;
  } catch {
    return NOTHING;
  }
}

function write(entries: readonly Pulled[]): void {
  try {
    localStorage.setItem(KEY, JSON.stringify(entries));
  } catch {
    // Storage may be full or forbidden; the list then lasts as long as nothing else is shown.
  }
  for (const listener of listeners) listener();
}

/** Empties the list, whoever put students on it: the next person at this browser is another one. */
export const forgetPullList = (): void => write([]);

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  window.addEventListener("storage", listener);
  return () => {
    listeners.delete(listener);
    window.removeEventListener("storage", listener);
  };
}

function parse(text: string): readonly Pulled[] {
  try {
    const value: unknown = JSON.parse(text);
    return Array.isArray(value)
      ? value.filter((entry): entry is Pulled => typeof entry?.id === "string" && typeof entry?.name === "string")
      : [];
  } catch {
    return [];
  }
}

export interface PullList {
  readonly entries: readonly Pulled[];
  has(id: string): boolean;
  add(entries: readonly Pulled[]): void;
  toggle(entry: Pulled): void;
  remove(id: string): void;
  clear(): void;
}

/** The pull list of this browser: it stays while the teacher moves between reports, and over a reload. */
export function usePullList(): PullList {
  const text = useSyncExternalStore(subscribe, read, () => NOTHING);
  const entries = useMemo(() => parse(text), [text]);
  const add = useCallback((more: readonly Pulled[]) => {
    const now = parse(read());
    write([...now, ...more.filter(({ id }) => !now.some((entry) => entry.id === id))]);
  }, []);
  const remove = useCallback((id: string) => write(parse(read()).filter((entry) => entry.id !== id)), []);
  return {
    entries,
    has: (id) => entries.some((entry) => entry.id === id),
    add,
    remove,
    toggle: (entry) => (parse(read()).some(({ id }) => id === entry.id) ? remove(entry.id) : add([entry])),
    clear: useCallback(() => write([]), []),
  };
}
