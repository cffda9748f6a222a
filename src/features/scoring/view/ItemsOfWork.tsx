"use client";
import { useState } from "react";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { MathText } from "@/ui/primitives/MathText";
import { dropItemAction, rejudgeItemAction } from "../actions";
import type { MarkChange, WorkItemLine, WorkItemsView } from "../types";

/** The items of a test: an item that was wrong is left out, or its answers are judged by the mended key; whose marks that changes is said. */
export function ItemsOfWork({ view, base }: { readonly view: WorkItemsView; readonly base: string }) {
  const run = useRun(undoAction);
  const [asked, setAsked] = useState<string | null>(null);
  const [marks, setMarks] = useState<readonly MarkChange[] | null>(null);
  const forms = new Set(view.items.map(({ form }) => form)).size;
  const drop = (item: WorkItemLine) =>
    run(
      () => dropItemAction({ assignmentId: view.workId, partItemId: item.id }),
      ({ marks: changed }) => `Item ${item.place} is left out; ${countWords(changed.length)}.`,
      ({ marks: changed }) => {
        setAsked(null);
        setMarks(changed);
      },
    );
  const rejudge = (item: WorkItemLine) =>
    run(
      () => rejudgeItemAction({ assignmentId: view.workId, itemId: item.itemId }),
      ({ marks: changed }) =>
        `Answers to item ${item.place} are judged by its present key; ${countWords(changed.length)}.`,
      ({ marks: changed }) => setMarks(changed),
    );
  return (
    <div className="px-5 py-4">
      <PageHead
        title={`${view.title}, its items`}
        sub={`${view.className}. An item that turned out wrong can be left out of every mark; where its key was mended, earlier answers can be judged by it.`}
      >
        <ButtonLink href={`${base}/work/${view.workId}`}>To the work</ButtonLink>
      </PageHead>
      {marks === null ? null : <Changed marks={marks} />}
      {view.items.length === 0 ? (
        <p className="text-mute py-4">
          The items of this work are drawn for each student: none of them is the same for all.
        </p>
      ) : (
        <ol className="max-w-5xl text-[15px]">
          {view.items.map((item) => (
            <li
              key={item.id}
              className="border-hair grid grid-cols-[2.5rem_1fr_9rem_18rem] items-baseline gap-3 border-t py-2"
            >
              <span className="text-mute">
                {item.place}
                {forms > 1 ? item.form : ""}
              </span>
              <span className={item.dropped ? "text-mute line-through" : ""}>
                <span className="font-reading">
                  <MathText text={item.stem} />
                </span>
                <span className="text-mute block text-[14px]">
                  {item.part === "" ? "" : `${item.part}; `}key <MathText text={item.key} />
                </span>
              </span>
              <span>{item.answered === 0 ? "no answer yet" : `${item.right} of ${item.answered} right`}</span>
              <span className="flex flex-wrap justify-end gap-2">
                {item.dropped ? <span className="text-mute">left out</span> : null}
                {item.newerKey && !item.dropped ? (
                  <Button disabled={run.busy} onClick={() => rejudge(item)}>
                    Judge by its present key
                  </Button>
                ) : null}
                {item.dropped ? null : asked === item.id ? (
                  <Button look="main" disabled={run.busy} onClick={() => drop(item)}>
                    Leave it out for all
                  </Button>
                ) : (
                  <Button aria-label={`Leave out item ${item.place}`} onClick={() => setAsked(item.id)}>
                    Leave out…
                  </Button>
                )}
              </span>
            </li>
          ))}
        </ol>
      )}
    </div>
  );
}

const countWords = (marks: number): string =>
  marks === 0 ? "no mark changed" : marks === 1 ? "1 mark changed" : `${marks} marks changed`;

/** Whose marks a change moved, and from what to what. */
function Changed({ marks }: { readonly marks: readonly MarkChange[] }) {
  const percent = (mark: number | null) => (mark === null ? "no mark" : `${mark} %`);
  return (
    <section role="status" className="bg-bank mb-4 max-w-5xl px-4 py-3 text-[15px]">
      <h2 className="mb-1 font-semibold">{marks.length === 0 ? "No mark changed" : "What this changed"}</h2>
      <ul className="flex flex-wrap gap-x-6">
        {marks.map(({ name, before, after }) => (
          <li key={name}>
            <span data-name>{name}</span>: {percent(before)} to {percent(after)}
          </li>
        ))}
      </ul>
    </section>
  );
}
