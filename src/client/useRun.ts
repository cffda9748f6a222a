"use client";
import { useState, useTransition } from "react";
import type { ActionResult } from "@/core/model/actionResult";
import { sayDone, sayProblem } from "./notices";

type Undo = (changeId: string) => Promise<ActionResult<string>>;

export interface Run {
  readonly busy: boolean;
  /** Words of the last refusal, for a form that shows them in place. */
  readonly problem: string | null;
  /**
   * Runs a server action. A refusal is said; success is said in `said`, with an undo where the action names its change.
   * `then` runs after success only.
   */
  <T>(
    action: () => Promise<ActionResult<T>>,
    said?: string | ((data: T) => string) | null,
    then?: (data: T) => void,
  ): void;
}

/** Runs the actions of a view one at a time, with its notices and its undo. */
export function useRun(undo: Undo, inPlace = false): Run {
  const [busy, start] = useTransition();
  const [problem, setProblem] = useState<string | null>(null);
  const run = <T>(
    action: () => Promise<ActionResult<T>>,
    said: string | ((data: T) => string) | null = null,
    then?: (data: T) => void,
  ) =>
    start(async () => {
      const result = await action();
      setProblem(result.ok ? null : result.message);
      if (!result.ok) {
        if (!inPlace) sayProblem(result.message);
        return;
      }
      const changeId = changeOf(result.data);
      const words = typeof said === "function" ? said(result.data) : said;
      if (words) sayDone(words, changeId ? () => undo(changeId) : undefined);
      then?.(result.data);
    });
  return Object.assign(run, { busy, problem });
}

function changeOf(data: unknown): string | null {
  return data !== null && typeof data === "object" && "changeId" in data && typeof data.changeId === "string"
    ? data.changeId
    : null;
}
