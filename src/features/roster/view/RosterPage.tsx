"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { parseAsString, parseAsStringLiteral, useQueryState } from "nuqs";
import { useMemo, useState } from "react";
import { usePullList } from "@/client/pull-list/pullList";
import { useRun } from "@/client/useRun";
import { classCodeWords } from "@/core/roster/classCode";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import { FindField } from "@/ui/primitives/FindField";
import { unlockStudentsAction } from "../actions";
import type { ArchivedClass, RosterStudent, RosterView, SignInSlip } from "../types";
import { AddStudentDialog } from "./AddStudentDialog";
import { ClassTable } from "./ClassTable";
import { HealthList } from "./HealthList";
import { NewClassDialog } from "./NewClassDialog";
import { PlaceDialog } from "./PlaceDialog";
import { SignInCards } from "./SignInCards";
import { SignInDialog } from "./SignInDialog";
import { StudentTable } from "./StudentTable";
import { useNewSignIns } from "./useNewSignIns";

type Named = readonly { readonly id: string; readonly name: string }[];

/** Who is in the classes and whether everything about it is well; each trouble with its repair beside it. */
export function RosterPage({
  view,
  archived,
  slugs,
  base,
}: {
  readonly view: RosterView;
  readonly archived: readonly ArchivedClass[];
  /** Name of each class in an address, by its id. */
  readonly slugs: Readonly<Record<string, string>>;
  readonly base: string;
}) {
  const router = useRouter();
  const pull = usePullList();
  const run = useRun(undoAction);
  const [show, setShow] = useQueryState(
    "show",
    parseAsStringLiteral(["students", "classes"] as const).withDefault("students"),
  );
  const [find, setFind] = useQueryState("find", parseAsString.withDefault(""));
  const [inClass, setInClass] = useQueryState("class", parseAsString.withDefault(""));
  const [selected, setSelected] = useState<ReadonlySet<string>>(new Set());
  const [slips, setSlips] = useState<readonly SignInSlip[] | null>(null);
  const [signIn, setSignIn] = useState<Named | null>(null);
  const [placing, setPlacing] = useState<Named | null>(null);
  const [adding, setAdding] = useState<"student" | "class" | null>(null);
  const signIns = useNewSignIns(view.students, (made) => {
    setSignIn(null);
    setSlips(made);
  });
  const rows = useMemo(() => filtered(view.students, find, inClass), [view.students, find, inClass]);
  const chosen = view.students.filter(({ id }) => selected.has(id));
  if (slips)
    return (
      <SignInCards
        slips={slips}
        close={() => {
          setSlips(null);
          router.refresh();
        }}
      />
    );
  const select = (ids: readonly string[], on: boolean) => {
    const next = new Set(selected);
    for (const id of ids)
      if (on) next.add(id);
      else next.delete(id);
    setSelected(next);
  };
  const unlock = (about: Named) =>
    run(
      () => unlockStudentsAction({ studentIds: about.map(({ id }) => id) }),
      about.length === 1 ? `${about[0]?.name} can try again.` : `${about.length} students can try again.`,
    );
  const everybody = rows.length === view.students.length ? "all" : "those shown";
  return (
    <div className="px-5 py-4">
      <PageHead
        title={view.schoolName ? `Roster of ${view.schoolName}` : "Roster"}
        sub={
          view.schoolName
            ? `${view.students.length} students in ${view.classes.length} classes`
            : view.classes.map(({ name, code }) => `${name}: class code ${classCodeWords(code)}`).join("; ")
        }
      >
        <ButtonLink look={view.students.length === 0 ? "main" : "plain"} href={`${base}/roster/import`}>
          Import a file
        </ButtonLink>
        <ButtonLink href={`${base}/roster/export`}>Take it out as a file</ButtonLink>
        <Button disabled={rows.length === 0} onClick={() => setSignIn(rows)}>
          PINs and cards for {everybody}
        </Button>
      </PageHead>
      {view.mayManage ? (
        <nav aria-label="School" className="no-print text-mute -mt-2 mb-3 flex flex-wrap gap-x-5 gap-y-1 text-[15px]">
          {(
            [
              ["staff", "Staff and roles"],
              ["roll-over", "Roll the year over"],
              ["access", "Who can see whom"],
              ["privacy", "Privacy and leavers"],
            ] as const
          ).map(([path, words]) => (
            <Link
              key={path}
              href={`/desk/school/roster/${path}`}
              className="hover:text-ink decoration-hair underline underline-offset-4"
            >
              {words}
            </Link>
          ))}
          <Link href="/desk/school/history" className="hover:text-ink decoration-hair underline underline-offset-4">
            Everything that was done
          </Link>
        </nav>
      ) : null}
      <HealthList
        health={view.health}
        base={base}
        mayEnroll={view.mayEnroll}
        unlock={unlock}
        newSignIn={(about) => setSignIn(about)}
        place={(about) => setPlacing(about)}
        busy={run.busy}
      />
      <div className="no-print mb-2 flex flex-wrap items-center gap-x-5 gap-y-2 text-[15px]">
        <fieldset className="flex" aria-label="Show">
          {(["students", "classes"] as const).map((one) => (
            <button
              key={one}
              type="button"
              aria-pressed={show === one}
              className={`border-b-2 px-1.5 py-0.5 ${show === one ? "border-water font-semibold" : "text-mute border-transparent"}`}
              onClick={() => setShow(one === "students" ? null : one)}
            >
              {one === "students"
                ? count(view.students.length, "student", "students")
                : count(view.classes.length, "class", "classes")}
            </button>
          ))}
        </fieldset>
        {show === "students" ? (
          <>
            <FindField label="Find a student" placeholder="Find a name or number" value={find} set={setFind} />
            {view.classes.length > 1 ? (
              <label>
                <span className="sr-only">Class</span>
                <select className={FIELD} value={inClass} onChange={(event) => setInClass(event.target.value || null)}>
                  <option value="">every class</option>
                  <option value="none">no class</option>
                  {view.classes.map(({ id, name }) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ))}
                </select>
              </label>
            ) : null}
            <span className="text-mute" aria-live="polite">
              {chosen.length > 0 ? `${chosen.length} selected` : `${rows.length} of ${view.students.length}`}
            </span>
          </>
        ) : null}
        {chosen.length > 0 && show === "students" ? (
          <span className="flex flex-wrap gap-2">
            {view.mayEnroll ? <Button onClick={() => setPlacing(chosen)}>Move or take out</Button> : null}
            <Button onClick={() => setSignIn(chosen)}>PINs and cards</Button>
            <Button onClick={() => pull.add(chosen.map(({ id, name }) => ({ id, name, skillId: null })))}>
              Put on the pull list
            </Button>
            <Button look="quiet" onClick={() => setSelected(new Set())}>
              Select none
            </Button>
          </span>
        ) : (
          <span className="flex gap-2">
            {view.mayEnroll && view.classes.length > 0 && show === "students" ? (
              <Button look="quiet" onClick={() => setAdding("student")}>
                Add a student
              </Button>
            ) : null}
            {show === "classes" ? (
              <Button look="quiet" onClick={() => setAdding("class")}>
                Make a class of your own
              </Button>
            ) : null}
          </span>
        )}
      </div>
      {show === "classes" ? (
        <ClassTable classes={view.classes} archived={archived} slugs={slugs} base={base} />
      ) : view.students.length === 0 ? (
        <p className="text-mute py-8">
          No students yet. Import a sheet with one row for each student: number, given name, family name, grade.
        </p>
      ) : rows.length === 0 ? (
        <p className="text-mute py-8">
          Nobody fits “{find}”.{" "}
          <Button look="quiet" onClick={() => Promise.all([setFind(null), setInClass(null)])}>
            Show everybody
          </Button>
        </p>
      ) : (
        <StudentTable students={rows} selected={selected} select={select} base={base} />
      )}
      {signIn ? (
        <SignInDialog
          count={signIn.length}
          done={signIns.done}
          close={() => setSignIn(null)}
          make={(choice) => signIns.make(signIn, choice)}
          stop={signIns.stop}
        />
      ) : null}
      {placing ? (
        <PlaceDialog
          students={placing}
          classes={view.openClasses}
          from={view.classes.filter(({ id }) =>
            placing.every((student) => view.students.find((row) => row.id === student.id)?.classIds.includes(id)),
          )}
          close={() => setPlacing(null)}
        />
      ) : null}
      {adding === "student" ? <AddStudentDialog classes={view.classes} close={() => setAdding(null)} /> : null}
      {adding === "class" ? (
        <NewClassDialog students={chosen} today={view.today} close={() => setAdding(null)} />
      ) : null}
    </div>
  );
}

const count = (number: number, one: string, more: string) => `${number} ${number === 1 ? one : more}`;

function filtered(students: readonly RosterStudent[], find: string, inClass: string): RosterStudent[] {
  const words = find.trim().toLocaleLowerCase();
  return students.filter(
    ({ name, studentNumber, classIds }) =>
      (words === "" || `${name} ${studentNumber}`.toLocaleLowerCase().includes(words)) &&
      (inClass === "" || (inClass === "none" ? classIds.length === 0 : classIds.includes(inClass))),
  );
}
