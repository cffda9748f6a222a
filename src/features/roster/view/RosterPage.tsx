"use client";
import { parseAsString, useQueryState } from "nuqs";
import { useState, useTransition } from "react";
import { sayProblem } from "@/client/notices";
import { usePullList } from "@/client/pull-list/pullList";
import { PageHead } from "@/ui/layout/PageHead";
import { SheetLink } from "@/ui/layout/SheetLink";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { newPinsAction } from "../actions";
import type { RosterStudent, RosterView, SignInSlip } from "../types";
import { Slips } from "./Slips";

const SIGN_IN: Readonly<Record<RosterStudent["signIn"], string>> = {
  none: "no PIN yet",
  locked: "locked out: too many tries",
  never: "has a PIN, not signed in yet",
  used: "",
};

/** Who is in the classes and whether everybody can sign in; each trouble with its repair beside it. */
export function RosterPage({ view, base }: { readonly view: RosterView; readonly base: string }) {
  const pull = usePullList();
  const [find, setFind] = useQueryState("find", parseAsString.withDefault(""));
  const [slips, setSlips] = useState<readonly SignInSlip[] | null>(null);
  const [busy, start] = useTransition();
  const rows = view.students.filter(({ name, studentNumber }) =>
    `${name} ${studentNumber}`.toLocaleLowerCase().includes(find.trim().toLocaleLowerCase()),
  );
  const makePins = (students: readonly RosterStudent[]) =>
    start(async () => {
      const result = await newPinsAction(students.map(({ id }) => id));
      if (result.ok) setSlips(result.data);
      else sayProblem(result.message);
    });
  if (slips) return <Slips slips={slips} close={() => setSlips(null)} />;
  const none = view.students.filter(({ signIn }) => signIn === "none");
  const locked = view.students.filter(({ signIn }) => signIn === "locked");
  return (
    <div className="px-5 py-4">
      <PageHead title="Roster" sub={view.classes.map(({ name, code }) => `${name}: class code ${code}`).join("; ")}>
        <ButtonLink look={view.students.length === 0 ? "main" : "plain"} href={`${base}/roster/import`}>
          Import a file
        </ButtonLink>
        <Button
          disabled={busy || view.students.length === 0}
          onClick={() => {
            if (
              window.confirm(
                `This gives all ${view.students.length} students new PINs; the old ones stop working. Go on?`,
              )
            )
              makePins(view.students);
          }}
        >
          New sign-in slips for all
        </Button>
      </PageHead>
      {none.length > 0 || locked.length > 0 ? (
        <div className="border-clay mb-4 border-l-4 pl-3 text-[15px]">
          {none.length > 0 ? (
            <p>
              {none.length} {none.length === 1 ? "student has" : "students have"} no PIN and can't sign in.{" "}
              <Button look="quiet" className="px-1!" disabled={busy} onClick={() => makePins(none)}>
                Make their sign-in slips
              </Button>
            </p>
          ) : null}
          {locked.length > 0 ? (
            <p>
              Locked out after too many tries: {locked.map(({ name }) => name).join(", ")}.{" "}
              <Button look="quiet" className="px-1!" disabled={busy} onClick={() => makePins(locked)}>
                New PIN and unlock
              </Button>
            </p>
          ) : null}
        </div>
      ) : null}
      {view.students.length === 0 ? (
        <p className="text-mute py-8">
          No students yet. Import a CSV file with one row for each student: number, given name, family name, grade.
        </p>
      ) : (
        <>
          <label className="mb-2 flex items-center gap-3 text-[15px]">
            <span className="sr-only">Find a student</span>
            <input
              className="border-hair w-60 border-b bg-transparent px-1 py-1"
              placeholder="Find a name or number"
              value={find}
              onChange={(event) => setFind(event.target.value || null)}
            />
            <span className="text-mute" aria-live="polite">
              {rows.length} of {view.students.length}
            </span>
          </label>
          <table className="w-full max-w-5xl text-[15px]">
            <thead className="text-mute text-left text-[14px]">
              <tr>
                <th className="py-1 font-normal">Name</th>
                <th className="w-32 font-normal">Number</th>
                <th className="w-20 font-normal">Grade</th>
                <th className="w-32 font-normal">Class</th>
                <th className="w-72 font-normal">Signing in</th>
                <th className="w-24" />
              </tr>
            </thead>
            <tbody>
              {rows.map((student) => (
                <tr key={student.id} className="border-hair border-t">
                  <td className="py-1">
                    <span className="flex items-center gap-2">
                      <input
                        type="checkbox"
                        className="accent-clay"
                        checked={pull.has(student.id)}
                        aria-label={`${student.name} on the pull list`}
                        onChange={() => pull.toggle({ id: student.id, name: student.name, skillId: null })}
                      />
                      <SheetLink id={student.id}>{student.name}</SheetLink>
                    </span>
                  </td>
                  <td>{student.studentNumber}</td>
                  <td>{student.grade}</td>
                  <td>{student.className}</td>
                  <td
                    className={
                      student.signIn === "none" || student.signIn === "locked" ? "text-clay font-semibold" : "text-mute"
                    }
                  >
                    {student.signIn === "used" ? `last ${student.lastSignIn}` : SIGN_IN[student.signIn]}
                  </td>
                  <td className="text-right">
                    <Button
                      look="quiet"
                      className="px-0! text-[14px]!"
                      disabled={busy}
                      onClick={() => makePins([student])}
                      aria-label={`New PIN for ${student.name}`}
                    >
                      New PIN
                    </Button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
    </div>
  );
}
