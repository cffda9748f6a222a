"use client";
import { useState } from "react";
import { usePullList } from "@/client/pull-list/pullList";
import type { PutInMove } from "@/core/work/putIn";
import { SheetLink } from "@/ui/layout/SheetLink";
import { Button } from "@/ui/primitives/Button";
import { MOVE_TITLES } from "@/words/staff/putInWords";
import type { PutInStudent } from "../../putInTypes";

/** One kind of move with its students: what each put in to the left, what came of it to the right. */
export function PutInGroup({
  move,
  students,
}: {
  readonly move: PutInMove;
  readonly students: readonly PutInStudent[];
}) {
  const pull = usePullList();
  if (students.length === 0) return null;
  return (
    <section className="mt-3" aria-label={MOVE_TITLES[move]}>
      <h2 className="flex items-baseline gap-3 text-[16px] font-bold">
        {MOVE_TITLES[move]}: {students.length}
        <Button
          look="quiet"
          className="no-print min-h-0! px-0! py-0! text-[14px]!"
          onClick={() => pull.add(students.map(({ id, name, skillId }) => ({ id, name, skillId })))}
        >
          Pull {students.length}
        </Button>
      </h2>
      {move === "not-begun" ? (
        <p className="text-[14px]">
          {students.map(({ id, name }, place) => (
            <span key={id}>
              {place > 0 ? ", " : ""}
              <SheetLink id={id}>{name}</SheetLink>
            </span>
          ))}
        </p>
      ) : (
        <ol>
          <li aria-hidden className={`${GRID} text-mute text-[12px]`}>
            <span />
            <span className="flex gap-[3px]">
              {FIGURES.map(({ key, short }) => (
                <span key={key} className="w-1/4 text-right">
                  {short}
                </span>
              ))}
            </span>
            <span />
            <span>right at the first try</span>
            <span />
          </li>
          {students.map((student) => (
            <Row key={student.id} student={student} />
          ))}
        </ol>
      )}
    </section>
  );
}

const GRID = "grid grid-cols-[11rem_minmax(0,1fr)_1.5rem_minmax(0,1fr)_7rem] items-center gap-2";
const FIGURES = [
  { key: "time", short: "time", words: "active time against the usual time" },
  { key: "lessons", short: "lessons", words: "parts of lessons opened where something was missed" },
  { key: "tries", short: "tried again", words: "misses followed by another try" },
  { key: "notRapid", short: "not rapid", words: "answers not too fast to have been read" },
] as const;

function Row({ student }: { readonly student: PutInStudent }) {
  const pull = usePullList();
  const [open, setOpen] = useState(false);
  const { figures, counts, result } = student;
  const minutes = (seconds: number) => Math.round(seconds / 60);
  return (
    <li className="border-hair border-t text-[14px]">
      <div className={`${GRID} py-[3px]`}>
        <span className="flex items-center gap-1.5 truncate">
          <input
            type="checkbox"
            className="accent-clay no-print size-3.5"
            checked={pull.has(student.id)}
            onChange={() => pull.toggle({ id: student.id, name: student.name, skillId: student.skillId })}
            aria-label={`${student.name} on the pull list`}
          />
          <SheetLink id={student.id} className="truncate">
            {student.name}
          </SheetLink>
        </span>
        <span className="flex h-4 justify-end gap-[3px]">
          {FIGURES.map(({ key, words }) => {
            const figure = figures[key];
            const said = figure === null ? `${words}: nothing to judge` : `${words}: ${Math.round(figure * 100)} %`;
            return (
              <span key={key} title={said} className={`relative w-1/4 ${figure === null ? "" : "bg-(--gauge)"}`}>
                {figure === null ? null : (
                  <i className="bg-level-1 absolute inset-y-0 right-0" style={{ width: `${figure * 100}%` }} />
                )}
                <span className="sr-only">{said}; </span>
              </span>
            );
          })}
        </span>
        <span aria-hidden className="text-mute text-center">
          →
        </span>
        <span
          className="bg-(--gauge) relative block h-4"
          title={`${student.right} of ${student.answered} right at the first try`}
        >
          <i className="bg-level-3 absolute inset-y-0 left-0" style={{ width: `${(result ?? 0) * 100}%` }} />
        </span>
        <button
          type="button"
          aria-expanded={open}
          aria-label={`What ${student.name} did`}
          className="text-right whitespace-nowrap tabular-nums underline decoration-hair underline-offset-3"
          onClick={() => setOpen(!open)}
        >
          {result === null ? "more" : `${Math.round(result * 100)} % of ${student.answered}`}
        </button>
      </div>
      {open ? (
        <div className="text-mute pb-1.5 pl-5">
          <p>
            {minutes(counts.seconds)} minutes where the same items usually take {minutes(counts.usualSeconds)};{" "}
            {counts.lessonPartsOpened} of {counts.lessonParts} parts of lessons opened; {counts.triedAgain} of{" "}
            {counts.misses} misses tried again; {counts.rapid} of {counts.answers} answers too fast.
          </p>
          <ul>
            {student.parts.map((part, place) => (
              <li key={place}>
                {part.title}: {Math.max(1, minutes(part.seconds))} min, {part.right} of {part.answered} right
                {part.lessons > 0 ? `, ${part.lessons} ${part.lessons === 1 ? "lesson" : "lessons"} opened` : ""}
              </li>
            ))}
          </ul>
        </div>
      ) : null}
    </li>
  );
}
