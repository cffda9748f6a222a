"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { FIELD, Field, Problem } from "@/ui/primitives/Field";
import { rollOverAction } from "../actions";
import type { RollOverLineView, RollOverView } from "../types";

type Line = Pick<RollOverLineView, "what" | "nextGrade" | "nextName">;
type Exception = "stays" | "leaves";
const TEACHERS = {
  "by-name": "stay with the name of their class (6 Alder's teachers get the new 6 Alder)",
  "with-students": "go up with their students",
  later: "are named later",
} as const;

/** The year's roll-over as an editable table: what becomes of each class, who is an exception, and what it all adds up to. */
export function RollOverPage({ view }: { readonly view: RollOverView }) {
  const router = useRouter();
  const run = useRun(undoAction, true);
  const [lines, setLines] = useState<Readonly<Record<string, Line>>>(() =>
    Object.fromEntries(
      view.lines.map(({ classId, what, nextGrade, nextName }) => [classId, { what, nextGrade, nextName }]),
    ),
  );
  const [exceptions, setExceptions] = useState<Readonly<Record<string, Exception>>>({});
  const [open, setOpen] = useState<string | null>(null);
  const [teachers, setTeachers] = useState<keyof typeof TEACHERS>("by-name");
  const { name: termName, startDay, endDay } = view.next;
  const [term, setTerm] = useState({ termName, startDay, endDay });
  const lineOf = (id: string): Line => lines[id] ?? { what: "leaves", nextGrade: 0, nextName: "" };
  const set = (id: string, change: Partial<Line>) => setLines({ ...lines, [id]: { ...lineOf(id), ...change } });
  const totals = count(view, lineOf, exceptions);
  const input = {
    ...term,
    teachers,
    version: view.version,
    lines: view.lines.map(({ classId, name }) => {
      const { what, nextGrade, nextName } = lineOf(classId);
      return { classId, what, grade: nextGrade, className: nextName || name };
    }),
    exceptions: Object.entries(exceptions).map(([studentId, what]) => ({ studentId, what })),
  };
  return (
    <form
      className="px-5 py-4 text-[15px]"
      onSubmit={(event) => {
        event.preventDefault();
        run(
          () => rollOverAction(input),
          `Rolled over to ${term.termName}.`,
          () => router.push("/desk/school/roster?show=classes"),
        );
      }}
    >
      <PageHead
        title="Roll the year over"
        sub={`${view.termName} is closed, its classes are put away with all work and evidence, and everybody moves up. Nothing has changed yet; it can be undone as one.`}
      >
        <ButtonLink href="/desk/school/roster/export">Do it in a sheet instead</ButtonLink>
        <Button look="main" type="submit" disabled={run.busy || view.lines.length === 0}>
          {run.busy ? "Rolling over…" : `Roll ${totals.up + totals.leave + totals.stay} students over`}
        </Button>
      </PageHead>
      <Problem text={run.problem} />
      <section aria-label="The new term" className="mb-4 flex flex-wrap items-end gap-4">
        <Field
          label="The new term is called"
          required
          maxLength={40}
          value={term.termName}
          onChange={(event) => setTerm({ ...term, termName: event.target.value })}
        />
        <Field
          label="first day"
          type="date"
          required
          value={term.startDay}
          onChange={(event) => setTerm({ ...term, startDay: event.target.value })}
        />
        <Field
          label="last day"
          type="date"
          required
          min={term.startDay}
          value={term.endDay}
          onChange={(event) => setTerm({ ...term, endDay: event.target.value })}
        />
        <label>
          <span className="mb-0.5 block">Teachers</span>
          <select
            className={FIELD}
            value={teachers}
            onChange={(event) => setTeachers(event.target.value as keyof typeof TEACHERS)}
          >
            {Object.entries(TEACHERS).map(([key, words]) => (
              <option key={key} value={key}>
                {words}
              </option>
            ))}
          </select>
        </label>
      </section>
      <p className="border-water mb-3 border-l-4 pl-3" aria-live="polite">
        <b>{totals.up}</b> move up, <b>{totals.leave}</b> leave the school
        {totals.stay > 0 ? (
          <>
            , <b>{totals.stay}</b> stay in their grade
          </>
        ) : null}
        ; <b>{totals.classes}</b> {totals.classes === 1 ? "class is" : "classes are"} made.
        {view.withoutClass > 0 ? ` ${view.withoutClass} students are in no class and stay as they are.` : ""}
      </p>
      <table className="w-full max-w-6xl">
        <thead className="text-mute text-left text-[14px]">
          <tr>
            <th className="w-60 py-1 font-normal">Class now</th>
            <th className="w-28 font-normal">Students</th>
            <th className="w-56 font-normal">What becomes of them</th>
            <th className="w-64 font-normal">New class</th>
            <th className="w-24 font-normal">Grade</th>
            <th className="font-normal">Exceptions</th>
          </tr>
        </thead>
        <tbody>
          {view.lines.map((own) => {
            const line = lineOf(own.classId);
            const apart = own.students.filter(({ id }) => exceptions[id]);
            return [
              <tr key={own.classId} className="border-hair border-t">
                <td className="py-1.5">
                  <b>{own.name}</b>{" "}
                  <span className="text-mute">
                    grade {own.grade}, {own.subject}
                    {own.kind === "own" ? ", a teacher's own" : ""}
                  </span>
                </td>
                <td>{own.students.length}</td>
                <td>
                  <select
                    className={FIELD}
                    aria-label={`What becomes of ${own.name}`}
                    value={line.what}
                    onChange={(event) => set(own.classId, { what: event.target.value as Line["what"] })}
                  >
                    <option value="moves">move up into a new class</option>
                    <option value="leaves">{own.kind === "own" ? "the class just ends" : "leave the school"}</option>
                  </select>
                </td>
                <td>
                  {line.what === "moves" ? (
                    <input
                      className={`${FIELD} w-56`}
                      aria-label={`New class of ${own.name}`}
                      required
                      maxLength={40}
                      value={line.nextName}
                      onChange={(event) => set(own.classId, { nextName: event.target.value })}
                    />
                  ) : (
                    <span className="text-mute">evidence is kept</span>
                  )}
                </td>
                <td>
                  {line.what === "moves" ? (
                    <input
                      className={`${FIELD} w-16`}
                      aria-label={`Grade of the new class of ${own.name}`}
                      type="number"
                      min={0}
                      max={12}
                      value={line.nextGrade}
                      onChange={(event) => set(own.classId, { nextGrade: Number(event.target.value) })}
                    />
                  ) : null}
                </td>
                <td>
                  <Button
                    look="quiet"
                    className="px-0!"
                    aria-expanded={open === own.classId}
                    onClick={() => setOpen(open === own.classId ? null : own.classId)}
                  >
                    {apart.length === 0 ? "none" : `${apart.length}: ${apart.map(({ name }) => name).join(", ")}`}
                  </Button>
                </td>
              </tr>,
              open === own.classId ? (
                <tr key={`${own.classId} students`}>
                  <td colSpan={6} className="bg-bank px-3 py-2">
                    <ul className="grid gap-x-6 gap-y-1 md:grid-cols-2 lg:grid-cols-3">
                      {own.students.map(({ id, name }) => (
                        <li key={id} className="flex items-center justify-between gap-2">
                          {name}
                          <select
                            className={`${FIELD} text-[14px]`}
                            aria-label={`Exception for ${name}`}
                            value={exceptions[id] ?? ""}
                            onChange={(event) => {
                              const { [id]: _, ...rest } = exceptions;
                              setExceptions(
                                event.target.value === "" ? rest : { ...rest, [id]: event.target.value as Exception },
                              );
                            }}
                          >
                            <option value="">with the class</option>
                            <option value="stays">stays in grade {own.grade}</option>
                            <option value="leaves">leaves the school</option>
                          </select>
                        </li>
                      ))}
                    </ul>
                  </td>
                </tr>
              ) : null,
            ];
          })}
        </tbody>
      </table>
      {view.lines.length === 0 ? <p className="text-mute py-4">There are no classes to roll over.</p> : null}
    </form>
  );
}

function count(view: RollOverView, lineOf: (id: string) => Line, exceptions: Readonly<Record<string, Exception>>) {
  const fate = new Map<string, "up" | "leave" | "stay">();
  const classes = new Set<string>();
  for (const own of view.lines) {
    const line = lineOf(own.classId);
    if (line.what === "moves") classes.add(`${line.nextName.toLowerCase()}|${own.subject}`);
    for (const { id } of own.students) {
      const apart = exceptions[id];
      if (apart) fate.set(id, apart === "leaves" ? "leave" : "stay");
      else if (own.kind !== "own") fate.set(id, line.what === "leaves" ? "leave" : "up");
      else if (!fate.has(id)) fate.set(id, "stay");
    }
  }
  const of = (what: "up" | "leave" | "stay") => [...fate.values()].filter((one) => one === what).length;
  return { up: of("up"), leave: of("leave"), stay: of("stay"), classes: classes.size };
}
