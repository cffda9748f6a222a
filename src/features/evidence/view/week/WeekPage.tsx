"use client";
import { useRouter, useSearchParams } from "next/navigation";
import { type ReactNode, useState } from "react";
import { PageHead } from "@/ui/layout/PageHead";
import { Button } from "@/ui/primitives/Button";
import type { GoalsView } from "../../goalTypes";
import { goalSheets } from "../../sheets/goalSheets";
import { weekSheets } from "../../sheets/weekSheets";
import type { StudentWeek, WeekStudent, WeekView } from "../../weekTypes";
import { Files } from "../parts/Files";
import { SheetTables } from "../parts/SheetTables";
import { Who } from "../parts/Who";
import { Expectation } from "./Expectation";
import { Goals } from "./Goals";
import { PiecesChart } from "./PiecesChart";
import { Praise } from "./Praise";
import { Snags } from "./Snags";

/** The week as one way down: who came, who got through, who worked too little, who is stuck and in what, whom to praise. */
export function WeekPage({ view, goals }: { readonly view: WeekView; readonly goals: GoalsView }) {
  const router = useRouter();
  const search = useSearchParams();
  const [asTable, setAsTable] = useState(false);
  const sheets = [...weekSheets(view), ...goalSheets(goals)];
  const chosen = view.weeks[view.chosen];
  const choose = (from: string) => {
    const next = new URLSearchParams(search);
    next.set("week", from);
    router.push(`?${next}`, { scroll: false });
  };
  return (
    <div className="px-5 py-3">
      <PageHead title={`How is the week of ${chosen?.words ?? ""} going?`} sub={<Expectation view={view} />}>
        <Button onClick={() => setAsTable(!asTable)}>{asTable ? "As steps" : "As a table"}</Button>
        <Files report="week" />
      </PageHead>
      {view.students.length === 0 ? (
        <p className="text-mute py-6">No student is in sight. Show everyone, or choose another class.</p>
      ) : asTable ? (
        <SheetTables report="week" sheets={sheets} />
      ) : (
        <>
          <ul className="no-print flex gap-x-2" aria-label="Weeks">
            {view.weeks.map((week, place) => (
              <li key={week.from}>
                <button
                  type="button"
                  aria-pressed={place === view.chosen}
                  onClick={() => choose(week.from)}
                  className={`border-[1.5px] px-3 py-0.5 text-[14px] ${place === view.chosen ? "border-ink font-bold" : "border-hair hover:border-ink"}`}
                >
                  {week.words}
                  <span className="text-mute font-normal">
                    {" "}
                    {week.schoolDays === 0
                      ? "no school"
                      : `${enough(view, place).length} of ${view.students.length} on course`}
                  </span>
                </button>
              </li>
            ))}
          </ul>
          <Steps view={view} />
          <Snags view={view} />
          <Goals view={goals} classIds={view.classIds} mayChange={view.mayChange} />
          <Praise view={view} />
        </>
      )}
    </div>
  );
}

const at = (student: WeekStudent, place: number): StudentWeek => student.weeks[place] as StudentWeek;
const enough = (view: WeekView, place: number) =>
  view.students.filter((student) => at(student, place).standing === "on-course");

/** From who came to who is stuck, each step with those who are not in the next one. */
function Steps({ view }: { readonly view: WeekView }) {
  const own = (student: WeekStudent) => at(student, view.chosen);
  const of = (fits: (week: StudentWeek) => boolean) => view.students.filter((student) => fits(own(student)));
  const [came, away] = [of(({ signedIn }) => signedIn), of(({ signedIn }) => !signedIn)];
  const time = of(({ standing }) => standing === "time");
  const struggle = of(({ standing }) => standing === "struggle");
  const below = of(({ pieces, onGrade }) => pieces > 0 && onGrade * 2 < pieces);
  const openOf = new Map(
    view.snags.filter(({ state }) => state === "open").map((snag) => [snag.studentId, snag.skillId]),
  );
  return (
    <ol className="mt-3 grid gap-x-6 gap-y-4 lg:grid-cols-[1fr_1.9fr_1fr_1fr]">
      <Step number={came.length} of={view.students.length} title="signed in">
        <Who students={away} skillId={null} what="did not sign in" className={away.length > 0 ? "text-clay" : ""}>
          {away.length === 0 ? "everybody came" : `${away.length} did not`}
        </Who>
        <Names students={away} />
      </Step>
      <Step number={enough(view, view.chosen).length} of={view.students.length} title="finished enough">
        <PiecesChart view={view} />
        {below.length > 0 ? (
          <Who students={below} skillId={null} what="finished mostly pieces below their grade">
            {below.length} mostly below their grade
          </Who>
        ) : null}
      </Step>
      <Step
        number={time.length}
        students={time}
        what="finished too little and worked too little"
        title="too little time: a talk, or a place to work"
      >
        <Names
          students={time}
          note={(student) => `${own(student).minutes} of ${Math.round(own(student).expected.minutes)} min`}
        />
      </Step>
      <Step
        number={struggle.length}
        students={struggle}
        skillId={struggle.map(({ id }) => openOf.get(id)).find(Boolean) ?? null}
        what="worked enough and finished too little"
        title="enough time, and stuck: teach"
      >
        <Names students={struggle} note={(student) => `${own(student).minutes} min, ${own(student).pieces} finished`} />
      </Step>
    </ol>
  );
}

function Step(props: {
  readonly number: number;
  readonly of?: number;
  readonly title: string;
  /** Whom the number means, where it leads to them. */
  readonly students?: readonly WeekStudent[];
  readonly skillId?: string | null;
  readonly what?: string;
  readonly children: ReactNode;
}) {
  const { number, of, title, students, skillId = null, what = "", children } = props;
  const shown = <b className="font-serif text-[26px] font-medium">{number}</b>;
  return (
    <li className="border-ink border-t-2 pt-1.5 text-[14px]">
      <p className="leading-tight">
        {students ? (
          <Who students={students} skillId={skillId} what={what}>
            {shown}
          </Who>
        ) : (
          shown
        )}
        {of === undefined ? "" : <span className="text-mute"> of {of}</span>} <span>{title}</span>
      </p>
      {children}
    </li>
  );
}

function Names(props: { readonly students: readonly WeekStudent[]; readonly note?: (student: WeekStudent) => string }) {
  const { students, note } = props;
  return (
    <ul className="mt-0.5">
      {students.map((student) => (
        <li key={student.id} className="flex justify-between gap-2">
          <span data-name className="truncate">
            {student.name}
          </span>
          {note ? <span className="text-mute whitespace-nowrap">{note(student)}</span> : null}
        </li>
      ))}
    </ul>
  );
}
