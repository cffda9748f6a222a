"use client";
import { useEffect, useState } from "react";
import type { LiveView } from "../../liveTypes";

/** What the live board shows, and whether it hears of what happens. */
export interface Live {
  readonly view: LiveView;
  /** "gone": the work was withdrawn, or is not the viewer's any more. */
  readonly connection: "live" | "away" | "gone";
}

/** Listens to what happens in a piece of work; the browser comes back by itself when the connection was lost. */
export function useLive(first: LiveView): Live {
  const [view, setView] = useState(first);
  const [connection, setConnection] = useState<Live["connection"]>("live");
  useEffect(() => {
    const source = new EventSource(`/api/live/${encodeURIComponent(first.id)}`);
    source.onmessage = ({ data }) => {
      setView(JSON.parse(data) as LiveView);
      setConnection("live");
    };
    source.onerror = () => setConnection((before) => (before === "gone" ? before : "away"));
    source.addEventListener("gone", () => {
      setConnection("gone");
      source.close();
    });
    return () => source.close();
  }, [first.id]);
  return { view, connection };
}
