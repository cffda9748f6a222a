"use client";
import { useCallback, useEffect, useState } from "react";
import type { ItemView } from "../types";
import { askHint } from "./askHint";

export interface HintState {
  readonly text: string | null;
  /** Why there is none though it was asked for. */
  readonly problem: string | null;
  ask(): Promise<void>;
}

/**
 * The hint of the item on the screen. The server hands it out, so that it knows; an item from the reserve brought its own
 * along, because it may be shown without a connection. `handedOut`: the server gave it before, on an earlier page.
 */
export function useHint(sittingId: string, item: ItemView | null, handedOut: boolean): HintState {
  const [text, setText] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const id = item?.presentationId;
  // Another item begins without its hint; the same one keeps it.
  useEffect(() => {
    setText(handedOut ? (item?.hint ?? null) : null);
    setProblem(null);
  }, [id]);
  const ask = useCallback(async () => {
    if (!item?.hasHint) return;
    const hint = item.hint ?? (await askHint(sittingId, item.presentationId));
    setText(hint);
    setProblem(hint === null ? "The hint can't be fetched without a connection. You can answer without it." : null);
  }, [item, sittingId]);
  return { text, problem, ask };
}
