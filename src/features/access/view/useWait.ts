"use client";
import { useEffect, useState } from "react";

/** Seconds that are left of a wait, counted down; 0 when the next try may be made. `isOver`: there was one, and it has ended. */
export function useWait(): {
  readonly left: number;
  readonly isOver: boolean;
  readonly begin: (seconds: number | undefined) => void;
} {
  const [until, setUntil] = useState(0);
  const [left, setLeft] = useState(0);
  useEffect(() => {
    if (until === 0) return;
    const look = () => setLeft(Math.max(0, Math.ceil((until - performance.now()) / 1000)));
    look();
    const timer = setInterval(look, 250);
    return () => clearInterval(timer);
  }, [until]);
  return {
    left,
    isOver: until !== 0 && left === 0,
    begin: (seconds) => {
      setUntil(seconds === undefined ? 0 : performance.now() + seconds * 1000);
      setLeft(seconds ?? 0);
    },
  };
}

/** "0:14", "12:05", "1:30:00": a wait as a clock shows it. */
export function clockWords(seconds: number): string {
  const pair = (value: number) => String(value).padStart(2, "0");
  const [hours, minutes] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60];
  return hours > 0 ? `${hours}:${pair(minutes)}:${pair(seconds % 60)}` : `${minutes}:${pair(seconds % 60)}`;
}
