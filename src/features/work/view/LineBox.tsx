"use client";
import { type FormEvent, useState } from "react";
import { useRun } from "@/client/useRun";
import type { LineKind } from "@/core/model/work";
import { undoAction } from "@/server/history/undoAction";
import { Button } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import { sendLinesAction } from "../actions";

/** What stands ready to be sent; each can be written anew. */
const READY: Readonly<Record<LineKind, { readonly name: string; readonly text: string }>> = {
  word: { name: "A word", text: "Read the question once more and tell me what it asks for." },
  reminder: { name: "A reminder", text: "This is still waiting for you. Begin with the first item today." },
  comment: { name: "A comment", text: "" },
  praise: { name: "Praise", text: "You kept at it and it shows. Well done." },
};

/** A line to some students: on their page at work and on their own page, until it is read or the work is done. */
export function LineBox({
  assignmentId,
  students,
  kinds,
  done,
}: {
  readonly assignmentId: string;
  readonly students: readonly { readonly id: string; readonly name: string }[];
  readonly kinds: readonly LineKind[];
  readonly done?: () => void;
}) {
  const run = useRun(undoAction);
  const [kind, setKind] = useState<LineKind>(kinds[0] ?? "word");
  const [text, setText] = useState(READY[kind].text);
  const who = students.length === 1 ? (students[0]?.name ?? "") : `${students.length} students`;
  const choose = (next: LineKind) => {
    if (text === READY[kind].text || text === "") setText(READY[next].text);
    setKind(next);
  };
  const send = (event: FormEvent) => {
    event.preventDefault();
    run(
      () => sendLinesAction({ assignmentId, studentIds: students.map(({ id }) => id), kind, text }),
      `Sent to ${who}.`,
      () => done?.(),
    );
  };
  return (
    <form onSubmit={send} className="bg-bank mb-3 flex flex-wrap items-center gap-3 px-3 py-2 text-[15px]">
      <span className="font-semibold">
        To <span data-name>{who}</span>:
      </span>
      {kinds.map((one) => (
        <label key={one} className="flex items-baseline gap-1.5">
          <input type="radio" name="line" className="accent-ink" checked={kind === one} onChange={() => choose(one)} />
          {READY[one].name}
        </label>
      ))}
      <input
        aria-label="What to say"
        className={`${FIELD} min-w-80 flex-1`}
        required
        maxLength={kind === "comment" ? 500 : 200}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <Button type="submit" disabled={run.busy}>
        Send
      </Button>
    </form>
  );
}
