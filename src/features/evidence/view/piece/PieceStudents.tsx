"use client";
import { useState } from "react";
import { usePullList } from "@/client/pull-list/pullList";
import { percentDown } from "@/core/measurement/percentDown";
import { reachesCut } from "@/core/measurement/reachesCut";
import { rational } from "@/core/numeric/rational";
import { SheetLink } from "@/ui/layout/SheetLink";
import { Button } from "@/ui/primitives/Button";
import { Why } from "@/ui/primitives/Why";
import { figureWords } from "@/words/staff/figureWords";
import type { PieceStudent, PieceView } from "../../pieceTypes";
import { pieceSheets, pieceStateWords } from "../../sheets/pieceSheets";
import { TableFile } from "../parts/Files";
import { SheetTable } from "../parts/SheetTable";

/** Who is through comes by mark, the weakest first; who is at work and who has not begun stand apart, since they want something else. */
export function PieceStudents({ view, line }: { readonly view: PieceView; readonly line: number }) {
  const [asTable, setAsTable] = useState(false);
  const marked = view.students
    .filter(({ mark, state }) => mark !== null && state !== "excused")
    .sort((x, y) => rational(x.mark ?? 0).compare(rational(y.mark ?? 0)) || x.name.localeCompare(y.name));
  const rest = view.students.filter((student) => !marked.includes(student));
  const working = rest.filter(({ state }) => state === "working" || state === "stuck");
  const out = rest.filter(({ state }) => state === "excused" || state === "absent");
  const none = rest.filter((student) => !working.includes(student) && !out.includes(student));
  const [sheet] = pieceSheets(view, line);
  return (
    <section className="mt-5" aria-labelledby="students-title">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 id="students-title" className="text-[16px] font-bold">
          How did each student do?
        </h2>
        <Button
          look="quiet"
          className="no-print min-h-0! px-0! py-0! text-[14px]!"
          onClick={() => setAsTable(!asTable)}
        >
          {asTable ? "By mark" : "As a table"}
        </Button>
        <TableFile report="pieces" table="Students" of={{ work: view.id }} />
        {view.hidden > 0 ? <span className="text-mute text-[14px]">{view.hidden} more are out of sight</span> : null}
      </div>
      {asTable && sheet ? (
        <SheetTable sheet={sheet} />
      ) : (
        <>
          <ol className="gap-x-10 lg:columns-2">
            {marked.map((student) => (
              <Marked key={student.id} student={student} line={line} view={view} />
            ))}
          </ol>
          <Without students={none} words="have not handed anything in" skillId={view.leadSkillId} />
          <Without students={working} words="are working on it" skillId={view.leadSkillId} />
          <Without students={out} words="need not do it, or were not there" skillId={null} />
        </>
      )}
    </section>
  );
}

function Marked({
  student,
  line,
  view,
}: {
  readonly student: PieceStudent;
  readonly line: number;
  readonly view: PieceView;
}) {
  const pull = usePullList();
  const mark = rational(student.mark ?? 0);
  const reached = reachesCut(mark, line);
  const entry = { id: student.id, name: student.name, skillId: student.missed[0]?.id ?? view.leadSkillId };
  return (
    <li className="border-hair grid break-inside-avoid grid-cols-[1rem_minmax(7rem,9rem)_3.25rem_minmax(0,1fr)] items-baseline gap-x-2 border-t py-0.5 text-[14px]">
      <input
        type="checkbox"
        className="accent-clay no-print size-3.5"
        checked={pull.has(student.id)}
        onChange={() => pull.toggle(entry)}
        aria-label={`${student.name} on the pull list`}
      />
      <SheetLink id={student.id} className="truncate">
        {student.name}
      </SheetLink>
      <Why
        className={`text-right! tabular-nums ${reached ? "" : "font-bold"}`}
        of={`${student.name}: ${percentDown(mark)} %, ${reached ? "at or above the line" : "below the line"}`}
        words={figureWords("mark", {
          ...{ right: student.right, answered: student.answered, minutes: student.minutes, line },
          reached: reached ? "yes" : "no",
        })}
      >
        {percentDown(mark)} %
      </Why>
      <span className="text-mute min-w-0">
        {notes(student, view).map((note, place) => (
          <span key={note.words} className={note.wants ? "text-clay" : ""}>
            {place > 0 ? "; " : ""}
            {note.words}
          </span>
        ))}
      </span>
    </li>
  );
}

/** What is worth saying of a student's run: nothing of what is usual. */
function notes(student: PieceStudent, view: PieceView): { readonly words: string; readonly wants?: boolean }[] {
  const { rushed, tries, missed } = student;
  return [
    ...(rushed
      ? [
          {
            words: `rushed: ${Math.round(rushed.seconds / 60)} min, ${rushed.by === "class" ? `the median of ${rushed.comparedWith} is` : "expected are"} ${Math.max(1, Math.round(rushed.usualSeconds / 60))}`,
            wants: true,
          },
        ]
      : []),
    ...(!rushed && student.rapid > 0
      ? [{ words: `${student.rapid} of ${student.answered} answers too fast to have read`, wants: true }]
      : []),
    ...(tries.length > 1
      ? [{ words: `tries ${tries.map((mark) => `${percentDown(rational(mark))} %`).join(", ")}` }]
      : []),
    ...(student.state === "time-up" ? [{ words: "time was up" }] : []),
    ...(student.late ? [{ words: "late" }] : []),
    { words: `${student.minutes} min` },
    ...(missed.length > 0 && missed.length < view.standards.length + 1
      ? [{ words: `missed ${missed.map(({ name }) => name).join(", ")}` }]
      : missed.length > 0
        ? [{ words: "missed every skill in it" }]
        : []),
  ];
}

function Without(props: {
  readonly students: readonly PieceStudent[];
  readonly words: string;
  readonly skillId: string | null;
}) {
  const { students, words, skillId } = props;
  const pull = usePullList();
  if (students.length === 0) return null;
  return (
    <p className="border-hair mt-2 border-t pt-1 text-[14px]">
      <b>
        {students.length}{" "}
        {students.length === 1 ? words.replace(/^have/, "has").replace(/^are/, "is").replace(/^need/, "needs") : words}:
      </b>{" "}
      {students.map((student, place) => (
        <span key={student.id}>
          {place > 0 ? ", " : ""}
          <SheetLink id={student.id}>{student.name}</SheetLink>
          <span className="text-mute">
            {student.answered > 0 ? ` ${student.right} of ${student.answered} right, ${student.lastWorked}` : ""}
            {student.state === "excused" || student.state === "absent" ? ` ${pieceStateWords(student.state)}` : ""}
          </span>
        </span>
      ))}{" "}
      <Button
        look="quiet"
        className="no-print min-h-0! px-0! py-0! text-[14px]!"
        onClick={() => pull.add(students.map(({ id, name }) => ({ id, name, skillId })))}
      >
        Pull {students.length}
      </Button>
    </p>
  );
}
