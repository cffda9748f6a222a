"use client";
import { useEffect, useState } from "react";

export type Loaded<T> =
  | { readonly state: "loading" }
  | { readonly state: "ready"; readonly data: T }
  | { readonly state: "problem"; readonly message: string };

/** Loads JSON of our own server; a refusal's words or a lost connection become a message. Null loads nothing. */
export function useJson<T>(url: string | null): Loaded<T> {
  const [loaded, setLoaded] = useState<Loaded<T>>({ state: "loading" });
  useEffect(() => {
    if (url === null) return;
    const aborted = new AbortController();
    setLoaded({ state: "loading" });
    fetch(url, { signal: aborted.signal })
      .then(async (response) => {
        const body = await response.json();
        setLoaded(
          response.ok ? { state: "ready", data: body as T } : { state: "problem", message: String(body.message) },
        );
      })
      .catch(() => {
        if (!aborted.signal.aborted)
          setLoaded({ state: "problem", message: "The server can't be reached. Check the connection and try again." });
      });
    return () => aborted.abort();
  }, [url]);
  return loaded;
}
