"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import type { SavedDraft } from "../../writes/drafts";
import { askServer } from "../askServer";

export type SaveState =
  | { readonly state: "untouched" }
  | { readonly state: "saving" }
  | { readonly state: "saved"; readonly at: string }
  | { readonly state: "waiting"; readonly message: string }
  /** Somebody else saved meanwhile: nothing more is sent until a way is chosen. */
  | { readonly state: "conflict"; readonly message: string };

const PAUSE_MILLISECONDS = 700;
const AGAIN_MILLISECONDS = 5_000;

/**
 * Keeps a draft on the server at every pause of typing, one message after another, and goes on trying without a connection. `prepare` is
 * done once before the first one, where something must be there for it.
 */
export function useDraft(
  message: (revision: number) => object | null,
  changes: number,
  begin: { readonly revision: number; readonly prepare: () => Promise<string | null> },
) {
  const [save, setSave] = useState<SaveState>({ state: "untouched" });
  const revision = useRef(begin.revision);
  const sent = useRef(0);
  const busy = useRef(false);
  const prepared = useRef(false);
  const latest = useRef({ message, changes, prepare: begin.prepare });
  latest.current = { message, changes, prepare: begin.prepare };
  const flush = useCallback(async (): Promise<number | null> => {
    while (busy.current) await new Promise((resolve) => setTimeout(resolve, 50));
    const { changes: upTo, prepare } = latest.current;
    if (sent.current === upTo) return revision.current;
    busy.current = true;
    setSave({ state: "saving" });
    try {
      const problem = prepared.current ? null : await prepare();
      if (problem !== null) {
        setSave({ state: "waiting", message: problem });
        return null;
      }
      prepared.current = true;
      const draft = latest.current.message(revision.current);
      if (draft === null) return null;
      const asked = await askServer<SavedDraft>("/api/items/draft", draft);
      if (!asked.ok) {
        setSave({ state: asked.code === "conflict" ? "conflict" : "waiting", message: asked.message });
        return null;
      }
      revision.current = asked.data.revision;
      sent.current = upTo;
      setSave({ state: "saved", at: new Date().toLocaleTimeString([], { hour: "2-digit", minute: "2-digit" }) });
      return revision.current;
    } finally {
      busy.current = false;
    }
  }, []);
  useEffect(() => {
    if (changes === 0) return;
    const timer = setTimeout(() => void flush(), PAUSE_MILLISECONDS);
    return () => clearTimeout(timer);
  }, [changes, flush]);
  useEffect(() => {
    if (save.state !== "waiting") return;
    const timer = setTimeout(() => void flush(), AGAIN_MILLISECONDS);
    return () => clearTimeout(timer);
  }, [save, flush]);
  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (sent.current !== latest.current.changes) event.preventDefault();
    };
    window.addEventListener("beforeunload", warn);
    return () => window.removeEventListener("beforeunload", warn);
  }, []);
  return { save, flush };
}
