"use client";
import { Popover } from "radix-ui";
import { type FormEvent, useState } from "react";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { Button } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import { grantAction, openPartAction } from "../actions";
import type { WorkRowView, WorkView } from "../types";
import { AnotherTry } from "./AnotherTry";

/** What can be granted to the students who are ticked, beyond what everybody has. */
export function GrantBar({ work, chosen }: { readonly work: WorkView; readonly chosen: readonly WorkRowView[] }) {
  const run = useRun(undoAction);
  if (chosen.length === 0) return null;
  const studentIds = chosen.map(({ studentId }) => studentId);
  const who = chosen.length === 1 ? (chosen[0]?.name ?? "") : `${chosen.length} students`;
  const grant = (what: object, said: string) =>
    run(() => grantAction({ assignmentId: work.id, studentIds, ...what }), said);
  const words = work.parts.filter(({ waitsForWord }) => waitsForWord);
  // Whoever finished a part may be given another try at it.
  const triable = work.parts.filter(
    (part, place) => !part.onPaper && chosen.every((row) => row.parts[place]?.state === "done"),
  );
  return (
    <div className="bg-bank mb-3 flex flex-wrap items-center gap-2 px-3 py-2 text-[15px]">
      <span className="font-semibold">
        For <span data-name>{who}</span>:
      </span>
      {words.map(({ id, title }) => (
        <Button
          key={id}
          disabled={run.busy}
          onClick={() =>
            run(
              () => openPartAction({ assignmentId: work.id, partId: id, studentIds }),
              `Opened “${title}” for ${who}.`,
            )
          }
        >
          Open “{title}”
        </Button>
      ))}
      <Button disabled={run.busy} onClick={() => grant({ minutes: 5 }, `Gave ${who} 5 more minutes.`)}>
        5 more minutes
      </Button>
      <Button disabled={run.busy} onClick={() => grant({ items: 4 }, `Gave ${who} 4 more items.`)}>
        4 more items
      </Button>
      <Asking
        name="A due day of their own"
        type="date"
        submit="Set"
        min={work.dueDay}
        act={(dueDay) => grant({ dueDay }, `Set another due day for ${who}.`)}
      />
      <Asking
        name="Open again"
        type="date"
        submit="Open until the evening of this day"
        act={(reopenDay) => grant({ reopenDay }, `Opened it again for ${who}.`)}
      />
      {triable.length > 0 ? (
        <AnotherTry
          key={triable.map(({ id }) => id).join()}
          work={work}
          parts={triable}
          studentIds={studentIds}
          who={who}
          run={run}
        />
      ) : null}
      {chosen.every(({ excused }) => excused !== null) ? (
        <Button disabled={run.busy} onClick={() => grant({ excuse: "" }, `${who} has to do it again.`)}>
          Excuse no longer
        </Button>
      ) : (
        <Asking
          name="Excuse"
          type="text"
          submit="Excuse"
          label="Why they need not do it"
          act={(excuse) => grant({ excuse }, `Excused ${who}.`)}
        />
      )}
    </div>
  );
}

/** A button that asks one thing before it acts. */
function Asking({
  name,
  type,
  submit,
  label = name,
  min,
  act,
}: {
  readonly name: string;
  readonly type: "date" | "text";
  readonly submit: string;
  readonly label?: string;
  readonly min?: string;
  readonly act: (value: string) => void;
}) {
  const [open, setOpen] = useState(false);
  const [value, setValue] = useState("");
  const hand = (event: FormEvent) => {
    event.preventDefault();
    act(value);
    setOpen(false);
  };
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <Button>{name}…</Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={6}
          className="bg-paper border-ink z-50 border-[1.5px] p-4 text-[15px] shadow-lg"
        >
          <form onSubmit={hand} className="space-y-2">
            <label className="block">
              <span className="mb-1 block">{label}</span>
              <input
                className={`${FIELD} w-full`}
                type={type}
                required
                min={min}
                maxLength={type === "text" ? 200 : undefined}
                value={value}
                onChange={(event) => setValue(event.target.value)}
              />
            </label>
            <Button look="main" type="submit">
              {submit}
            </Button>
          </form>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
