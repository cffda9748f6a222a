"use client";
import { useCallback, useEffect, useState } from "react";
import { readLineAction } from "../actions";
import type { SignsView } from "../types";

const LOOK_MILLISECONDS = 15_000;

export interface Signs extends SignsView {
  /** A line was read: it goes. */
  read(id: string): void;
}

/**
 * What a teacher does while a student works: whether the work is held up, until when it runs, lines to the student. Asked for from time to time while the page can be seen;
 * without a connection what was known stays.
 */
export function useSigns(sittingId: string, isOver: boolean): Signs {
  const [signs, setSigns] = useState<SignsView>({ paused: false, endsAt: null, finished: null, lines: [] });
  useEffect(() => {
    if (isOver) return;
    let isGone = false;
    const look = async () => {
      if (document.visibilityState !== "visible") return;
      try {
        const response = await fetch(`/api/signs?sitting=${encodeURIComponent(sittingId)}`);
        if (response.ok && !isGone) setSigns((await response.json()) as SignsView);
      } catch {
        // No connection: asked again next time.
      }
    };
    void look();
    const timer = setInterval(() => void look(), LOOK_MILLISECONDS);
    document.addEventListener("visibilitychange", look);
    return () => {
      isGone = true;
      clearInterval(timer);
      document.removeEventListener("visibilitychange", look);
    };
  }, [sittingId, isOver]);
  const read = useCallback((id: string) => {
    setSigns((before) => ({ ...before, lines: before.lines.filter((line) => line.id !== id) }));
    void readLineAction({ lineId: id });
  }, []);
  return { ...signs, read };
}
