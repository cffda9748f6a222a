"use client";
import { useState } from "react";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { SheetLink } from "@/ui/layout/SheetLink";
import { Button } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import { praiseWords } from "@/words/staff/praiseWords";
import { praiseAction } from "../../actions";
import type { WeekView } from "../../weekTypes";

/** Who deserves a word, and why; a line to all of them in one move. */
export function Praise({ view }: { readonly view: WeekView }) {
  const run = useRun(undoAction);
  const [text, setText] = useState("");
  const [left, setLeft] = useState<readonly string[]>([]);
  const meant = view.praise.filter(({ id }) => !left.includes(id));
  const send = () =>
    run(
      () => praiseAction({ students: meant.map(({ id, classId }) => ({ id, classId })), text }),
      `Praised ${meant.length} ${meant.length === 1 ? "student" : "students"}.`,
      () => setText(""),
    );
  return (
    <section className="mt-5" aria-labelledby="praise-title">
      <h2 id="praise-title" className="text-[16px] font-bold">
        Worth a word of praise: {view.praise.length}
      </h2>
      {view.praise.length === 0 ? (
        <p className="text-mute text-[14px]">Nothing stands out this week by numbers; you know better.</p>
      ) : (
        <>
          <ul className="gap-x-10 text-[14px] lg:columns-2">
            {view.praise.map(({ id, name, because }) => (
              <li key={id} className="border-hair flex items-baseline gap-2 border-t py-0.5">
                <input
                  type="checkbox"
                  className="accent-ink no-print"
                  checked={!left.includes(id)}
                  onChange={() => setLeft(left.includes(id) ? left.filter((one) => one !== id) : [...left, id])}
                  aria-label={`Praise ${name}`}
                />
                <SheetLink id={id} className="whitespace-nowrap">
                  {name}
                </SheetLink>
                <span className="text-mute">{because.map(praiseWords).join("; ")}</span>
              </li>
            ))}
          </ul>
          {view.mayChange ? (
            <form
              className="no-print mt-1.5 flex flex-wrap gap-2"
              onSubmit={(event) => {
                event.preventDefault();
                send();
              }}
            >
              <input
                className={`${FIELD} w-96 max-w-full`}
                aria-label="A line of praise"
                placeholder="You stayed with it, and it shows."
                maxLength={200}
                value={text}
                onChange={(event) => setText(event.target.value)}
              />
              <Button type="submit" disabled={run.busy || meant.length === 0 || text.trim() === ""}>
                Send it to {meant.length}
              </Button>
            </form>
          ) : null}
        </>
      )}
    </section>
  );
}
