"use client";
import { useState } from "react";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { PrintButton } from "@/ui/layout/PrintButton";
import { ButtonLink } from "@/ui/primitives/Button";
import { setRunningAction, setStartsAction } from "../actions";
import type { PlanStudentsView } from "../studentsTypes";
import { Precedence } from "./Precedence";
import { RunSentence } from "./RunSentence";
import { StartsBar } from "./StartsBar";
import { StudentPlaces } from "./StudentPlaces";

/** Where each student of a class stands in its plan, whether it runs by itself, and where they begin. */
export function PlanStudentsPage({ view, base }: { readonly view: PlanStudentsView; readonly base: string }) {
  const run = useRun(undoAction);
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const tick = (ids: readonly string[], on: boolean) => {
    const next = new Set(ticked);
    for (const id of ids) on ? next.add(id) : next.delete(id);
    setTicked(next);
  };
  const { classId } = view;
  return (
    <div className="px-5 py-4 text-[15px]">
      <PageHead title={`Students of ${view.className} in the plan`} sub={subOf(view)}>
        <ButtonLink href={`${base}/plan`}>To the plan</ButtonLink>
        <PrintButton />
      </PageHead>
      <RunSentence
        view={view}
        busy={run.busy}
        set={(runs, pace) => run(() => setRunningAction({ classId, runs, pace }), runWords(runs, pace))}
      />
      <Warnings view={view} base={base} />
      {view.students.length === 0 ? (
        <p className="text-mute py-6">
          This class has no students yet. They stand here as soon as the roster has some.
        </p>
      ) : (
        <>
          {view.mayChange ? (
            <StartsBar
              view={view}
              ticked={ticked.size}
              busy={run.busy}
              set={(from, slotId) =>
                run(
                  () => setStartsAction({ classId, studentIds: [...ticked], from, slotId }),
                  ({ moved }) =>
                    moved === 0 ? "They begin there already." : `${moved} of ${ticked.size} begin elsewhere now.`,
                  () => setTicked(new Set()),
                )
              }
            />
          ) : null}
          <StudentPlaces view={view} ticked={ticked} tick={tick} />
        </>
      )}
      <Precedence />
    </div>
  );
}

const runWords = (runs: boolean, pace: PlanStudentsView["pace"]): string =>
  runs
    ? `The plan runs by itself, ${pace === "own" ? "at each student’s own pace" : "with the class’s dates"}.`
    : "The plan does not run by itself any more.";

function subOf({ students, runs, runBy }: PlanStudentsView): string {
  const pieces = students.reduce((sum, one) => sum + one.pieces, 0);
  const week = `${pieces} ${pieces === 1 ? "piece" : "pieces"} of work finished this week.`;
  return runs && runBy ? `${week} The plan gives work in the name of ${runBy}.` : week;
}

/** What a teacher has to do something about. */
function Warnings({ view, base }: { readonly view: PlanStudentsView; readonly base: string }) {
  const idle = view.students.filter(({ atSchool, atHome }) => atSchool === null && atHome === null);
  const lines = [
    ...(view.runs && view.nothingAtHome
      ? ["Nothing that is left of the plan may be done at home: let a slot be worked on anywhere."]
      : []),
    ...(view.runs && idle.length > 0
      ? [
          `${idle.length} ${idle.length === 1 ? "student has" : "students have"} nothing open: all of it is mastered. Put something in.`,
        ]
      : []),
  ];
  const hint =
    view.runs && !view.tellsPlaces && view.slots.length > 0
      ? "The school has not said by which addresses a student is at school, so slots for one place only are offered everywhere."
      : null;
  if (lines.length === 0 && hint === null) return null;
  return (
    <div className="no-print mb-3 max-w-4xl space-y-1">
      {lines.map((line) => (
        <p key={line} role="status" className="border-clay border-l-4 pl-3">
          {line}
        </p>
      ))}
      {hint ? (
        <p className="text-mute">
          {hint}{" "}
          <a className="underline underline-offset-4" href={`${base}/plan/calendar`}>
            School calendar
          </a>
        </p>
      ) : null}
    </div>
  );
}
