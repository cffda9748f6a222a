"use client";
import { useEffect } from "react";

const EVENT = "oxbow.make-group";

/** Asks whoever shows the pull list to make a group of it at once. */
export const askForGroup = (): void => void dispatchEvent(new Event(EVENT));

/** Runs when a mark asks for a group of those that it put on the list. */
export function useAskedForGroup(make: () => void): void {
  useEffect(() => {
    addEventListener(EVENT, make);
    return () => removeEventListener(EVENT, make);
  }, [make]);
}
