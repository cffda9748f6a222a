"use client";
import { useState, useTransition } from "react";
import { Button } from "@/ui/primitives/Button";
import { takeNextAction } from "../actions";

/** Begins what the plan of a class gives next, or goes on with it. */
export function TakeNext({
  classId,
  isFirst,
  children,
}: {
  readonly classId: string;
  /** Nothing else goes before it. */
  readonly isFirst: boolean;
  readonly children: string;
}) {
  const [busy, start] = useTransition();
  const [problem, setProblem] = useState<string | null>(null);
  const take = () =>
    start(async () => {
      setProblem(null);
      try {
        const taken = await takeNextAction({ classId });
        // Opened anew: a further run at the same work has the same address.
        if (taken.ok) window.location.assign(`/river/${taken.data.assignmentId}`);
        else setProblem(taken.message);
      } catch {
        setProblem("There is no connection right now. Nothing is lost: try again in a moment.");
      }
    });
  return (
    <span className="flex flex-wrap items-center justify-end gap-3">
      {problem ? (
        <span role="alert" className="text-clay text-[17px]">
          {problem}
        </span>
      ) : null}
      <Button look={isFirst ? "main" : "plain"} size="big" disabled={busy} onClick={take}>
        {children}
      </Button>
    </span>
  );
}
