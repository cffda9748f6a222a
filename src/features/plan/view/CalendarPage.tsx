"use client";
import { type ChangeEvent, type FormEvent, useState } from "react";
import { sayProblem } from "@/client/notices";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { PrintButton } from "@/ui/layout/PrintButton";
import { Button, ButtonLink, FileLink } from "@/ui/primitives/Button";
import { Field, Problem } from "@/ui/primitives/Field";
import { changeCalendarAction, readCalendarAction } from "../actions";
import type { CalendarFile, CalendarView } from "../calendarTypes";
import { CalendarFileDialog } from "./CalendarFileDialog";
import { Networks } from "./Networks";

/** The school's calendar: terms, days off, a calendar file in and out. What changes here moves the dates of every plan. */
export function CalendarPage({ view, base }: { readonly view: CalendarView; readonly base: string }) {
  const run = useRun(undoAction, true);
  const [file, setFile] = useState<CalendarFile | null>(null);
  const open = async ({ target }: ChangeEvent<HTMLInputElement>) => {
    const [chosen] = target.files ?? [];
    target.value = "";
    if (!chosen) return;
    const read = await readCalendarAction({ text: await chosen.text() });
    if (read.ok) setFile(read.data);
    else sayProblem(read.message);
  };
  const change = (input: object, then?: () => void) => run(() => changeCalendarAction(input), changedWords, then);
  return (
    <div className="px-5 py-4 text-[15px]">
      <PageHead
        title={`Calendar of ${view.schoolName}`}
        sub="Days off move the dates of every class's plan, and are left out wherever school days are counted."
      >
        {view.mayChange ? (
          <label className="border-ink inline-flex min-h-8 cursor-pointer items-center border-[1.5px] px-3 py-1 font-semibold focus-within:outline-2">
            Bring a calendar file in
            <input type="file" accept=".ics,text/calendar" className="sr-only" onChange={(event) => void open(event)} />
          </label>
        ) : null}
        <FileLink href="/api/calendar">Save as a calendar file</FileLink>
        <ButtonLink href={`${base}/plan`}>To the plan</ButtonLink>
        <PrintButton />
      </PageHead>
      <div className="grid gap-x-12 gap-y-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
        <section>
          <h2 className={HEAD}>Days off</h2>
          {view.ranges.length === 0 ? <p className="text-mute">None yet: every weekday is a school day.</p> : null}
          <ul>
            {view.ranges.map((range) => (
              <li
                key={range.from}
                className={`border-hair flex items-baseline gap-4 border-t py-1.5 ${range.isOver ? "text-mute" : ""}`}
              >
                <span className="w-72 shrink-0 font-semibold">{range.name}</span>
                <span className="flex-1">{range.days}</span>
                <span className="text-mute">{many(range.schoolDays.length, "school day")}</span>
                {view.mayChange ? (
                  <span className="no-print">
                    <Button
                      look="quiet"
                      aria-label={`Teach again: ${range.name}, ${range.days}`}
                      onClick={() => change({ remove: range.schoolDays })}
                    >
                      Teach again
                    </Button>
                  </span>
                ) : null}
              </li>
            ))}
          </ul>
        </section>
        <section>
          <h2 className={HEAD}>Terms</h2>
          <ul className="mb-6">
            {view.terms.map((term) => (
              <li key={term.id} className="border-hair border-t py-1.5">
                <b>{term.name}</b>, {many(term.schoolDays, "school day")}
                <span className="text-mute block">
                  {term.from} to {term.to}
                </span>
              </li>
            ))}
          </ul>
          {view.mayChange ? (
            <DaysOff busy={run.busy} problem={run.problem} add={(range, then) => change({ add: [range] }, then)} />
          ) : null}
          {view.mayChange ? <Networks view={view} /> : null}
        </section>
      </div>
      {file ? (
        <CalendarFileDialog
          file={file}
          busy={run.busy}
          problem={run.problem}
          close={() => setFile(null)}
          take={(add) => change({ add }, () => setFile(null))}
        />
      ) : null}
    </div>
  );
}

const HEAD = "mb-1.5 font-serif text-[18px] font-medium";

const many = (count: number, what: string) => `${count} ${what}${count === 1 ? "" : "s"}`;

function changedWords({
  added,
  already,
  classes,
  changeId,
}: {
  added: number;
  already: number;
  classes: number;
  changeId: string | null;
}) {
  if (changeId === null) return "Nothing changed: these days are off already.";
  const what = added > 0 ? `${many(added, "school day")} off.` : "Taught again.";
  const known = already > 0 ? ` ${many(already, "day")} off already.` : "";
  return `${what}${known} ${classes === 0 ? "No plan has other dates." : `${many(classes, "plan")} moved.`}`;
}

function DaysOff({
  busy,
  problem,
  add,
}: {
  readonly busy: boolean;
  readonly problem: string | null;
  readonly add: (range: { from: string; to: string; name: string }, then: () => void) => void;
}) {
  const [name, setName] = useState("");
  const [from, setFrom] = useState("");
  const [to, setTo] = useState("");
  const submit = (event: FormEvent) => {
    event.preventDefault();
    add({ from, to: to === "" ? from : to, name }, () => {
      setName("");
      setFrom("");
      setTo("");
    });
  };
  return (
    <form onSubmit={submit} className="no-print space-y-2">
      <h2 className={HEAD}>More days off</h2>
      <Field label="Name" required maxLength={80} value={name} onChange={({ target }) => setName(target.value)} />
      <Field label="First day" type="date" required value={from} onChange={({ target }) => setFrom(target.value)} />
      <Field
        label="Last day"
        type="date"
        help="Empty for a single day."
        value={to}
        onChange={({ target }) => setTo(target.value)}
      />
      <Problem text={problem} />
      <Button look="main" type="submit" disabled={busy}>
        Add them
      </Button>
    </form>
  );
}
