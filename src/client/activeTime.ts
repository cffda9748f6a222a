"use client";
import { useCallback, useEffect, useRef } from "react";

export interface ActiveTime {
  /** Counts from nought again: a new try begins. */
  restart(): void;
  /** Milliseconds since then during which the page could be seen. */
  read(): number;
}

/** A stopwatch that stands still while the page is hidden. */
export function useActiveTime(): ActiveTime {
  const counted = useRef(0);
  /** When the page was last seen to become visible; null while it is hidden. */
  const since = useRef<number | null>(null);
  const stop = useCallback(() => {
    if (since.current !== null) counted.current += performance.now() - since.current;
    since.current = null;
  }, []);
  const go = useCallback(() => {
    since.current ??= document.visibilityState === "hidden" ? null : performance.now();
  }, []);
  useEffect(() => {
    const onChange = () => (document.visibilityState === "hidden" ? stop() : go());
    go();
    document.addEventListener("visibilitychange", onChange);
    return () => document.removeEventListener("visibilitychange", onChange);
  }, [go, stop]);
  const restart = useCallback(() => {
    stop();
    counted.current = 0;
    go();
  }, [go, stop]);
  const read = useCallback(
    () => counted.current + (since.current === null ? 0 : performance.now() - since.current),
    [],
  );
  return { restart, read };
}
