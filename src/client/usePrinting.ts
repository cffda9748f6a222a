"use client";
import { useSyncExternalStore } from "react";

let printing = false;

function subscribe(changed: () => void): () => void {
  const media = matchMedia("print");
  const set = (now: boolean) => {
    printing = now;
    changed();
  };
  const begins = () => set(true);
  const ends = () => set(false);
  const turns = () => set(media.matches);
  addEventListener("beforeprint", begins);
  addEventListener("afterprint", ends);
  media.addEventListener("change", turns);
  return () => {
    removeEventListener("beforeprint", begins);
    removeEventListener("afterprint", ends);
    media.removeEventListener("change", turns);
  };
}

/** Whether the page is being printed: a list that draws only what is in view must draw all of it then. */
export const usePrinting = (): boolean =>
  useSyncExternalStore(
    subscribe,
    () => printing,
    () => false,
  );
