"use client";
import { useEffect, useState } from "react";
import { sayProblem } from "@/client/notices";
import { projectorOn } from "@/client/projector";
import { useJson } from "@/client/useJson";
import { type NameIndex, nameIndex, namesInText } from "@/core/roster/namesInText";
import type { PersonName } from "../types";

/** As named in the style sheet. */
const HIGHLIGHT = "covered-names";
const NOT_COVERED = "Names in lists are hidden, in other sentences they may stay readable.";

/**
 * Covers students' names wherever they stand while projector mode is on, in sentences too. Lists mark their names
 * themselves; until the names are known, the style sheet keeps the whole page hidden.
 */
export function NameCover() {
  const on = useProjector();
  const names = useJson<PersonName[]>(on ? "/api/names" : null);
  useEffect(() => {
    if (!on || names.state === "loading") return;
    const root = document.documentElement;
    const stop = names.state === "ready" && "highlights" in CSS ? coverNames(nameIndex(names.data)) : null;
    root.dataset.covered = stop ? "all" : "lists";
    if (!stop) sayProblem(names.state === "problem" ? `${names.message} ${NOT_COVERED}` : NOT_COVERED);
    return () => {
      stop?.();
      delete root.dataset.covered;
    };
  }, [on, names]);
  return null;
}

function useProjector(): boolean {
  const [on, setOn] = useState(false);
  useEffect(() => {
    setOn(projectorOn());
    const watcher = new MutationObserver(() => setOn(projectorOn()));
    watcher.observe(document.documentElement, { attributeFilter: ["data-projector"] });
    return () => watcher.disconnect();
  }, []);
  return on;
}

/** Marks the names in all texts, and again whenever the page changes; returns how to stop. */
function coverNames(index: NameIndex): () => void {
  let frame = 0;
  const cover = () => {
    frame = 0;
    const ranges: Range[] = [];
    const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = texts.nextNode(); node; node = texts.nextNode())
      for (const [from, to] of namesInText(node.nodeValue ?? "", index)) {
        const range = new Range();
        range.setStart(node, from);
        range.setEnd(node, to);
        ranges.push(range);
      }
    CSS.highlights.set(HIGHLIGHT, new Highlight(...ranges));
  };
  const watcher = new MutationObserver(() => {
    frame ||= requestAnimationFrame(cover);
  });
  watcher.observe(document.body, { childList: true, subtree: true, characterData: true });
  cover();
  return () => {
    watcher.disconnect();
    cancelAnimationFrame(frame);
    CSS.highlights.delete(HIGHLIGHT);
  };
}
