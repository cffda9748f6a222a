"use client";
import { useState, useTransition } from "react";
import type { ActionResult } from "@/core/model/actionResult";

export interface Start {
  readonly busy: boolean;
  /** Why it did not go, in words. */
  readonly problem: string | null;
  readonly start: <T>(action: () => Promise<ActionResult<T>>, then: (data: T) => void) => void;
}

/** Runs what a student asks for; a refusal, or a lost connection, is said in place. */
export function useStart(): Start {
  const [busy, begin] = useTransition();
  const [problem, setProblem] = useState<string | null>(null);
  return {
    busy,
    problem,
    start: (action, then) =>
      begin(async () => {
        setProblem(null);
        try {
          const result = await action();
          if (result.ok) then(result.data);
          else setProblem(result.message);
        } catch {
          setProblem("There is no connection right now. Nothing is lost: try again in a moment.");
        }
      }),
  };
}
