"use client";
import { useCallback, useEffect, useState, useSyncExternalStore } from "react";
import { spokenText } from "./spokenText";

const never = () => () => {};

export interface ReadAloud {
  /** Whether this browser can speak. */
  readonly can: boolean;
  readonly speaking: boolean;
  /** Reads an element aloud, or stops while it is being read. */
  readonly toggle: (element: Element | null) => void;
}

/** Reading aloud by the browser's own speech, which needs no connection. It ends when the page, or what `about` names, changes. */
export function useReadAloud(about: string): ReadAloud {
  const can = useSyncExternalStore(
    never,
    () => "speechSynthesis" in window,
    () => false,
  );
  const [speaking, setSpeaking] = useState(false);
  useEffect(() => {
    return () => {
      if ("speechSynthesis" in window) speechSynthesis.cancel();
      setSpeaking(false);
    };
  }, [about]);
  const toggle = useCallback(
    (element: Element | null) => {
      speechSynthesis.cancel();
      if (speaking || element === null) return setSpeaking(false);
      const spoken = new SpeechSynthesisUtterance(spokenText(element));
      spoken.lang = document.documentElement.lang || "en";
      spoken.rate = 0.9;
      spoken.onend = () => setSpeaking(false);
      spoken.onerror = () => setSpeaking(false);
      setSpeaking(true);
      speechSynthesis.speak(spoken);
    },
    [speaking],
  );
  return { can, speaking, toggle };
}
