"use client";
import { useJson } from "@/client/useJson";
import type { Passage } from "@/core/items/passage";
import type { PassageChoice } from "../../itemTypes";

/** The words of the passage that is chosen: at hand for the one that one began with, fetched for another; null for none. */
export function usePassage(first: PassageChoice | null, chosenId: string): Passage | null {
  const isFirst = first !== null && chosenId === first.id;
  const fetched = useJson<Passage>(chosenId === "" || isFirst ? null : `/api/passages/${encodeURIComponent(chosenId)}`);
  if (chosenId === "") return null;
  return isFirst ? first : fetched.state === "ready" ? fetched.data : null;
}
