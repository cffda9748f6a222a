import { Button } from "@/ui/primitives/Button";
import type { PlanView } from "../types";

/** What is planned before what it builds on, each with the move that mends it. */
export function Faults({
  view,
  repair,
}: {
  readonly view: PlanView;
  readonly repair: (fault: PlanView["faults"][number]) => void;
}) {
  if (view.faults.length === 0) return null;
  return (
    <ul className="border-clay mb-4 max-w-4xl border-l-4 pl-3 text-[15px]" aria-label="Order">
      {view.faults.map((fault) => (
        <li key={`${fault.skill} ${fault.buildsOn}`} className="flex flex-wrap items-baseline gap-x-3">
          <span>
            <b>{fault.skill}</b> comes before {fault.buildsOn}, on which it builds and which is planned later.
          </span>
          {view.mayChange ? (
            <span className="no-print">
              <Button look="quiet" onClick={() => repair(fault)}>
                Move it behind “{fault.laterSlot}”
              </Button>
            </span>
          ) : null}
        </li>
      ))}
    </ul>
  );
}
