"use client";
import { useEffect, useState } from "react";
import type { ItemBody } from "@/core/items/itemBody";
import type { Look } from "@/core/items/lookOver";
import type { Tried } from "../../reads/trial";
import { askServer } from "../askServer";

const PAUSE_MILLISECONDS = 350;

/** How the draws of a body come out, a moment after it was changed; the last result stays in view until there is another. */
export function useTrial(
  itemId: string,
  body: ItemBody,
): { readonly look: Look | null; readonly problem: string | null } {
  const [look, setLook] = useState<Look | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const text = JSON.stringify(body);
  useEffect(() => {
    const aborted = new AbortController();
    const timer = setTimeout(async () => {
      const asked = await askServer<Tried>("/api/items/try", { itemId, body: JSON.parse(text) }, aborted.signal);
      if (aborted.signal.aborted) return;
      setProblem(asked.ok ? null : asked.message);
      if (asked.ok && "look" in asked.data) setLook(asked.data.look);
    }, PAUSE_MILLISECONDS);
    return () => {
      clearTimeout(timer);
      aborted.abort();
    };
  }, [itemId, text]);
  return { look, problem };
}
