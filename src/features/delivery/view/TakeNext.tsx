"use client";
import { Button } from "@/ui/primitives/Button";
import { takeNextAction } from "../actions";
import { useStart } from "./useStart";

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
  const { busy, problem, start } = useStart();
  // Opened anew: a further run at the same work has the same address.
  const take = () =>
    start(
      () => takeNextAction({ classId }),
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
