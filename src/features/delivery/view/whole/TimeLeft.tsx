"use client";
import { useEffect, useState } from "react";
import { serverTime } from "@/client/serverClock";

const LONGEST_SHOWN = 3 * 3_600_000;
/** Minutes at which a screen reader says how much is left. */
const SAID_AT = [10, 5, 1];

/** How much of the time is left, by the server's clock; whoever is troubled by it hides it. */
export function TimeLeft({ endsAt }: { readonly endsAt: number }) {
  const [left, setLeft] = useState<number | null>(null);
  const [isHidden, setHidden] = useState(false);
  useEffect(() => {
    const look = () => setLeft(Math.max(0, endsAt - serverTime()));
    look();
    const timer = setInterval(look, 1000);
    return () => clearInterval(timer);
  }, [endsAt]);
  // What is open for days has no clock to look at.
  if (left === null || left > LONGEST_SHOWN) return null;
  const minutes = Math.ceil(left / 60_000);
  return (
    <span className="flex items-baseline gap-3">
      {isHidden ? null : <span className="font-semibold tabular-nums">{timeWords(left)}</span>}
      <button type="button" className="text-mute underline underline-offset-4" onClick={() => setHidden(!isHidden)}>
        {isHidden ? "Show the time" : "Hide the time"}
      </button>
      <span role="status" className="sr-only">
        {SAID_AT.includes(minutes) ? `${minutes} ${minutes === 1 ? "minute" : "minutes"} left` : ""}
      </span>
    </span>
  );
}

/** Minutes as usual, seconds in the last one. */
const timeWords = (left: number): string =>
  left < 60_000 ? `${Math.ceil(left / 1000)} s left` : `${Math.ceil(left / 60_000)} min left`;
