"use client";
import { useCallback, useEffect, useRef, useState } from "react";

const PAUSE_MILLISECONDS = 500;
const MOST_STEPS = 200;

/** Steps back through what was typed, a step a pause, with the button or Ctrl+Z outside of a field. */
export function useUndo(text: string, put: (earlier: string) => void) {
  const steps = useRef<string[]>([text]);
  const [depth, setDepth] = useState(0);
  const putting = useRef(put);
  putting.current = put;
  useEffect(() => {
    const timer = setTimeout(() => {
      if (steps.current.at(-1) === text) return;
      steps.current = [...steps.current, text].slice(-MOST_STEPS);
      setDepth(steps.current.length - 1);
    }, PAUSE_MILLISECONDS);
    return () => clearTimeout(timer);
  }, [text]);
  const now = useRef(text);
  now.current = text;
  const back = useCallback(() => {
    const all = steps.current;
    // What was typed since the last pause is a step of its own.
    const earlier = all.at(-1) === now.current ? all.at(-2) : all.at(-1);
    if (earlier === undefined) return;
    steps.current = all.slice(0, all.lastIndexOf(earlier) + 1);
    setDepth(steps.current.length - 1);
    putting.current(earlier);
  }, []);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const isTyping = (event.target as HTMLElement).closest("input:not([type=checkbox]), textarea");
      if ((event.ctrlKey || event.metaKey) && !event.shiftKey && event.key === "z" && !isTyping) {
        event.preventDefault();
        back();
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [back]);
  return { back, canGoBack: depth > 0 };
}
