"use client";
import { useCallback, useEffect, useRef } from "react";
import { v7 } from "uuid";
import { useActiveTime } from "@/client/activeTime";
import { serverTime } from "@/client/serverClock";
import { tellVisit } from "./lessonVisits";

/** Tells the server how long a lesson was open; what is returned is to be called with each move of its model. */
export function useLessonVisit(
  open: boolean,
  at: { personId: string; sittingId: string | null; skillId: string },
): () => void {
  const { personId, sittingId, skillId } = at;
  const { restart, read } = useActiveTime();
  const moves = useRef({ count: 0, first: 0, last: 0 });
  useEffect(() => {
    if (!open) return;
    restart();
    moves.current = { count: 0, first: 0, last: 0 };
    const openedAt = serverTime();
    let told = false;
    const tell = () => {
      if (told) return;
      told = true;
      const { count, first, last } = moves.current;
      const times = { openedAt, milliseconds: read(), modelMilliseconds: last - first, modelMoves: count };
      void tellVisit(personId, { key: v7(), sittingId, skillId, ...times });
    };
    addEventListener("pagehide", tell);
    return () => {
      removeEventListener("pagehide", tell);
      tell();
    };
  }, [open, personId, sittingId, skillId, restart, read]);
  return useCallback(() => {
    const now = read();
    const { count, first } = moves.current;
    moves.current = { count: count + 1, first: count === 0 ? now : first, last: now };
  }, [read]);
}
