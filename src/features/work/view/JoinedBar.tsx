"use client";
import { useState } from "react";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { Button } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import { addStudentsAction } from "../actions";
import type { WorkView } from "../types";

/** Who came into the class or the group since the work was given: offered it with a day of their own, or it is skipped. */
export function JoinedBar({ work }: { readonly work: WorkView }) {
  const run = useRun(undoAction);
  const [dueDay, setDueDay] = useState(work.usualDueDay);
  const { joined } = work;
  if (joined.length === 0) return null;
  const studentIds = joined.map(({ id }) => id);
  const who = joined.length === 1 ? (joined[0]?.name ?? "") : `${joined.length} students`;
  return (
    <div className="border-clay mb-3 flex flex-wrap items-center gap-2 border-l-4 pl-3 text-[15px]">
      <span>
        {joined.length} joined since: <span data-name>{joined.map(({ name }) => name).join(", ")}</span>.
      </span>
      <label className="flex items-center gap-2">
        Due for them
        <input type="date" className={FIELD} value={dueDay} onChange={(event) => setDueDay(event.target.value)} />
      </label>
      <Button
        look="main"
        disabled={run.busy || dueDay === ""}
        onClick={() =>
          run(
            () => addStudentsAction({ assignmentId: work.id, studentIds, dueDay }),
            `Gave “${work.title}” to ${who} too.`,
          )
        }
      >
        Give it to {joined.length === 1 ? "them" : `these ${joined.length}`}
      </Button>
      <Button
        disabled={run.busy}
        onClick={() =>
          run(() => addStudentsAction({ assignmentId: work.id, studentIds, skip: true }), `${who} need not do it.`)
        }
      >
        They need not do it
      </Button>
    </div>
  );
}
