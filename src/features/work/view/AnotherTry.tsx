"use client";
import { Popover } from "radix-ui";
import { type FormEvent, useState } from "react";
import type { Run } from "@/client/useRun";
import { Button } from "@/ui/primitives/Button";
import { Choices } from "@/ui/primitives/Choices";
import { FIELD } from "@/ui/primitives/Field";
import { furtherTryAction } from "../actions";
import type { PartOfWork, WorkView } from "../types";

const COUNTS = {
  latest: "the latest mark counts",
  best: "the best mark counts",
  mean: "the mean of the marks counts",
} as const;

/** Gives those who are ticked another try at a part: with which items, and until when. */
export function AnotherTry({
  work,
  parts,
  studentIds,
  who,
  run,
}: {
  readonly work: WorkView;
  /** Parts that all of them finished. */
  readonly parts: readonly PartOfWork[];
  readonly studentIds: readonly string[];
  readonly who: string;
  readonly run: Run;
}) {
  const [open, setOpen] = useState(false);
  const [partId, setPartId] = useState(parts[0]?.id ?? "");
  const [form, setForm] = useState<"same" | "other">(work.formCount > 1 ? "other" : "same");
  const isOver = work.state === "over";
  const [untilDay, setUntilDay] = useState(isOver ? work.usualDueDay : "");
  const give = (event: FormEvent) => {
    event.preventDefault();
    run(
      () =>
        furtherTryAction({
          assignmentId: work.id,
          partId,
          studentIds,
          form,
          ...(untilDay === "" ? {} : { untilDay }),
        }),
      `Gave ${who} another try.`,
      () => setOpen(false),
    );
  };
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <Button>Another try…</Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={6}
          className="bg-paper border-ink z-50 max-w-96 border-[1.5px] p-4 text-[15px] shadow-lg"
        >
          <form onSubmit={give} className="space-y-3">
            {parts.length > 1 ? (
              <label className="block">
                <span className="mb-1 block">Of</span>
                <select
                  className={`${FIELD} w-full`}
                  value={partId}
                  onChange={(event) => setPartId(event.target.value)}
                >
                  {parts.map(({ id, title }) => (
                    <option key={id} value={id}>
                      {title}
                    </option>
                  ))}
                </select>
              </label>
            ) : null}
            {work.formCount > 1 ? (
              <Choices
                name="form"
                value={form}
                of={[
                  ["other", "with the other form"],
                  ["same", "with the same items"],
                ]}
                set={setForm}
              />
            ) : null}
            <label className="block">
              <span className="mb-1 block">
                {isOver
                  ? "Its time is over; open until the evening of"
                  : "Open until the evening of; empty for the work’s own time"}
              </span>
              <input
                type="date"
                className={`${FIELD} w-full`}
                required={isOver}
                value={untilDay}
                onChange={(event) => setUntilDay(event.target.value)}
              />
            </label>
            <p className="text-mute">
              What was done before stays; {COUNTS[work.retake]}.
              {work.released.includes("answers") ? " They have seen the answers of this test." : ""}
            </p>
            <Button look="main" type="submit" disabled={run.busy}>
              Give another try
            </Button>
          </form>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
