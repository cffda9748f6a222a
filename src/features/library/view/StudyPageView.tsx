"use client";
import { useState } from "react";
import { usePrinting } from "@/client/usePrinting";
import { PageHead } from "@/ui/layout/PageHead";
import { PrintButton } from "@/ui/layout/PrintButton";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import type { NotesView } from "../itemTypes";
import type { UnitPage } from "../unitTypes";
import { ModelButton } from "./ModelButton";
import { Notes } from "./Notes";

/** About an hour for a teacher alone or with colleagues: tasks to do, and what to read once each is done. */
export function StudyPageView({
  unit,
  notes,
  base,
}: {
  readonly unit: UnitPage;
  readonly notes: NotesView;
  readonly base: string;
}) {
  const { study } = unit.guide;
  const minutes = study.reduce((sum, task) => sum + task.minutes, 0);
  const models = unit.skills.flatMap(({ id, name, model }) => (model ? [{ id, name, model }] : []));
  return (
    <div className="px-5 py-4">
      <PageHead
        title={`Studying: ${unit.name}`}
        sub={`${study.length} tasks, about ${minutes} minutes, alone or with colleagues. Paper and pencil first.`}
      >
        <ButtonLink href={`${base}/library/units/${unit.id}`}>To the unit</ButtonLink>
        <PrintButton />
      </PageHead>
      <div className="grid gap-x-10 gap-y-6 lg:grid-cols-[1fr_20rem]">
        <ol className="max-w-3xl">
          {study.map((task, place) => (
            <Task key={task.task} number={place + 1} task={task} />
          ))}
        </ol>
        <aside className="text-[15px]">
          {models.length > 0 ? (
            <div className="no-print mb-5">
              <h2 className="mb-1 font-serif text-[18px] font-medium">Models at hand</h2>
              <ul>
                {models.map(({ id, name, model }) => (
                  <li key={id} className="-ml-3">
                    <ModelButton model={model} title={name}>
                      {`${name}: ${model.kind.replaceAll("-", " ")}`}
                    </ModelButton>
                  </li>
                ))}
              </ul>
            </div>
          ) : null}
          <Notes key={unit.id} view={notes} />
        </aside>
      </div>
    </div>
  );
}

/** What comes after a task stays shut until somebody is done with it; paper shows it. */
function Task({ number, task }: { readonly number: number; readonly task: UnitPage["guide"]["study"][number] }) {
  const [open, setOpen] = useState(false);
  const isShown = usePrinting() || open;
  const afterId = `after-${number}`;
  return (
    <li className="border-ink break-inside-avoid border-t-2 py-3">
      <p className="text-mute text-[14px]">
        Task {number}, {task.minutes} minutes
      </p>
      <p className="mt-0.5 text-[17px] leading-relaxed">{task.task}</p>
      <p className="no-print mt-1 -ml-3">
        <Button look="quiet" aria-expanded={open} aria-controls={afterId} onClick={() => setOpen(!open)}>
          {open ? "Hide it again" : "Done: what we think of it"}
        </Button>
      </p>
      <p id={afterId} hidden={!isShown} className="bg-bank mt-1 px-3 py-2 text-[16px] leading-relaxed">
        {task.afterwards}
      </p>
    </li>
  );
}
