"use client";
import { useState } from "react";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { Dialog } from "@/ui/primitives/Dialog";
import { FIELD } from "@/ui/primitives/Field";
import { FormFoot } from "@/ui/primitives/FormFoot";
import { placeStudentsAction } from "../actions";

/** Puts students into a class, moves them there from another, or takes them out. */
export function PlaceDialog({
  students,
  classes,
  from,
  close,
}: {
  readonly students: readonly { readonly id: string; readonly name: string }[];
  readonly classes: readonly { readonly id: string; readonly name: string }[];
  /** Classes that all of them are in now. */
  readonly from: readonly { readonly id: string; readonly name: string }[];
  readonly close: () => void;
}) {
  const run = useRun(undoAction, true);
  const [to, setTo] = useState("");
  const [left, setLeft] = useState<string | null>(null);
  // Joining another class usually means leaving the present one; leaving alone has to be said.
  const leave = left ?? (to !== "" && from.length === 1 ? (from[0]?.id ?? "") : "");
  const who = students.length === 1 ? (students[0]?.name ?? "") : `${students.length} students`;
  const nameOf = (id: string) =>
    classes.find((own) => own.id === id)?.name ?? from.find((own) => own.id === id)?.name ?? "";
  const words =
    to && leave
      ? `Moved ${who} to ${nameOf(to)}.`
      : to
        ? `${who} joined ${nameOf(to)}.`
        : `${who} left ${nameOf(leave)}.`;
  return (
    <Dialog
      open
      onOpenChange={(open) => (open ? null : close())}
      title={students.length === 1 ? `Where does ${who} belong?` : `Where do ${who} belong?`}
    >
      <form
        className="space-y-4 text-[15px]"
        onSubmit={(event) => {
          event.preventDefault();
          const input = { studentIds: students.map(({ id }) => id), toClassId: to || null, fromClassId: leave || null };
          run(() => placeStudentsAction(input), words, close);
        }}
      >
        {students.length > 1 ? (
          <p className="text-mute max-h-24 overflow-y-auto">{students.map(({ name }) => name).join(", ")}</p>
        ) : null}
        <label className="block">
          <span className="mb-0.5 block">Joins</span>
          <select className={`${FIELD} w-full`} value={to} onChange={(event) => setTo(event.target.value)}>
            <option value="">no class</option>
            {classes.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        {from.length > 0 ? (
          <label className="block">
            <span className="mb-0.5 block">Leaves</span>
            <select className={`${FIELD} w-full`} value={leave} onChange={(event) => setLeft(event.target.value)}>
              <option value="">no class</option>
              {from.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          </label>
        ) : null}
        <p className="text-mute">Work and evidence stay with the students, wherever they go.</p>
        <FormFoot
          problem={run.problem}
          deed={to && leave ? "Move" : to ? "Put into the class" : "Take out"}
          disabled={run.busy || (!to && !leave) || to === leave}
          close={close}
        />
      </form>
    </Dialog>
  );
}
