"use client";
import type { ActionResult } from "@/core/model/actionResult";
import { Button } from "@/ui/primitives/Button";
import { takeNextAction, takeReviewAction } from "../actions";
import { useStart } from "./useStart";

interface Taken {
  readonly classId: string;
  /** Nothing else goes before it. */
  readonly isFirst: boolean;
  readonly children: string;
}

/** Begins what the plan of a class gives next, or goes on with it. */
export const TakeNext = (props: Taken) => <Take {...props} action={takeNextAction} />;

/** Begins today's review of a class, or goes on with it. */
export const TakeReview = (props: Taken) => <Take {...props} action={takeReviewAction} />;

function Take({
  classId,
  isFirst,
  children,
  action,
}: Taken & { readonly action: (input: unknown) => Promise<ActionResult<{ assignmentId: string }>> }) {
  const { busy, problem, start } = useStart();
  // Opened anew: a further run at the same work has the same address.
  const take = () =>
    start(
      () => action({ classId }),
      ({ assignmentId }) => window.location.assign(`/river/${assignmentId}`),
    );
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
