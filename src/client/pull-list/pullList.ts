"use client";
import { useCallback } from "react";
import { keptList } from "../keptList";

/** A student whom the teacher is about to pull aside. */
export interface Pulled {
  readonly id: string;
  readonly name: string;
  /** The skill in view when the student was put on the list. */
  readonly skillId: string | null;
}

const list = keptList("oxbow.pull-list", (value): value is Pulled => {
  const one = value as Partial<Pulled> | null;
  return typeof one?.id === "string" && typeof one.name === "string";
});

/** Empties the list, whoever put students on it: the next person at this browser is another one. */
export const forgetPullList = (): void => list.write([]);

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
  const entries = list.use();
  const add = useCallback((more: readonly Pulled[]) => {
    const now = list.now();
    list.write([...now, ...more.filter(({ id }) => !now.some((entry) => entry.id === id))]);
  }, []);
  const remove = useCallback((id: string) => list.write(list.now().filter((entry) => entry.id !== id)), []);
  return {
    entries,
    has: (id) => entries.some((entry) => entry.id === id),
    add,
    remove,
    toggle: (entry) => (list.now().some(({ id }) => id === entry.id) ? remove(entry.id) : add([entry])),
    clear: useCallback(() => list.write([]), []),
  };
}
