"use client";
import { useCallback } from "react";
import { keptList } from "../keptList";

/** An item that somebody gathers while searching. */
export interface Gathered {
  readonly id: string;
  readonly line: string;
  /** Whole seconds that it is expected to take. */
  readonly seconds: number;
}

const MOST = 40;
const list = keptList("oxbow.bundle", (value): value is Gathered => {
  const one = value as Partial<Gathered> | null;
  return typeof one?.id === "string" && typeof one.line === "string" && typeof one.seconds === "number";
});

/** Empties the bundle, whoever filled it: the next person at this browser is another one. */
export const forgetBundle = (): void => list.write([]);

/** What was gathered in this browser: it stays across searches, and over a reload. */
export function useBundle() {
  const entries = list.use();
  const add = useCallback((more: readonly Gathered[]) => {
    const now = list.now();
    const fresh = more.filter(({ id }) => !now.some((one) => one.id === id));
    list.write([...now, ...fresh.map(({ id, line, seconds }) => ({ id, line, seconds }))].slice(0, MOST));
  }, []);
  const remove = useCallback((id: string) => list.write(list.now().filter((one) => one.id !== id)), []);
  const clear = useCallback(() => list.write([]), []);
  return { entries, has: (id: string) => entries.some((one) => one.id === id), add, remove, clear };
}
