"use client";
import { useCallback, useEffect, useState } from "react";
import type { ItemView } from "../types";
import { askHint } from "./askHint";

export interface HintState {
  /** Those that were asked for, from a nudge on. */
  readonly texts: readonly string[];
  /** There is a further one. */
  readonly more: boolean;
  /** Why there is none though it was asked for. */
  readonly problem: string | null;
  ask(): Promise<void>;
}

/**
 * The hints of the item on the screen, one at a time. The server hands them out, so that it knows; an item from the reserve brought its own
 * along, because it may be shown without a connection. `handedOut`: the server gave what the item holds before, on an earlier page.
 */
export function useHint(sittingId: string, item: ItemView | null, handedOut: boolean): HintState {
  const [texts, setTexts] = useState<readonly string[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const id = item?.presentationId;
  // Another item begins without hints; the same one keeps them.
  useEffect(() => {
    setTexts(handedOut ? (item?.hintsGiven ?? []) : []);
    setProblem(null);
  }, [id]);
  const more = item !== null && texts.length < item.hints;
  const ask = useCallback(async () => {
    if (!item || !more) return;
    const hint = item.hintsGiven[texts.length] ?? (await askHint(sittingId, item.presentationId, texts.length));
    setProblem(hint === null ? "The hint can't be fetched without a connection. You can answer without it." : null);
    // Two clicks ask for the same one.
    if (hint !== null) setTexts((known) => (known.length === texts.length ? [...known, hint] : known));
  }, [item, more, sittingId, texts]);
  return { texts, more, problem, ask };
}
