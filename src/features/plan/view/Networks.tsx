"use client";
import { type FormEvent, useState } from "react";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { Button } from "@/ui/primitives/Button";
import { Field, Problem } from "@/ui/primitives/Field";
import { setNetworksAction } from "../actions";
import type { CalendarView } from "../calendarTypes";

/** From which network addresses a student is at school: what a plan gives only there, or only at home, hangs on it. */
export function Networks({ view: { networks, ownAddress } }: { readonly view: CalendarView }) {
  const run = useRun(undoAction, true);
  const [text, setText] = useState(networks.join(", "));
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const ranges = text.split(/[\s,;]+/).filter((one) => one !== "");
    run(
      () => setNetworksAction({ networks: ranges }),
      ({ changeId }) => (changeId ? "Changed." : "Nothing changed."),
    );
  };
  return (
    <form onSubmit={submit} className="no-print mt-8 space-y-2">
      <h2 className="mb-1.5 font-serif text-[18px] font-medium">School or home</h2>
      <Field
        label="Addresses of the school’s network"
        help={`Like 10.20.0.0/16, parted by commas. Whoever works from there is at school, everybody else at home. Empty: nothing tells.${
          ownAddress === null ? "" : ` You come from ${ownAddress} now.`
        }`}
        value={text}
        onChange={({ target }) => setText(target.value)}
      />
      <Problem text={run.problem} />
      <Button type="submit" disabled={run.busy}>
        Change
      </Button>
    </form>
  );
}
