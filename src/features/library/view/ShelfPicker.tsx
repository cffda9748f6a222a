"use client";
import type { ReactNode } from "react";

/** Which subject and which grade of the library are shown; grade 0 is all of them. */
export function ShelfPicker({
  subjects,
  grades,
  subject,
  grade,
  choose,
}: {
  readonly subjects: readonly { readonly id: string; readonly name: string }[];
  readonly grades: readonly number[];
  readonly subject: string;
  /** Null while something else decides what is shown. */
  readonly grade: number | null;
  readonly choose: (chosen: { readonly subject?: string; readonly grade?: number }) => void;
}) {
  return (
    <>
      {subjects.length > 1 ? (
        <fieldset className="flex gap-1">
          <legend className="sr-only">Subject</legend>
          {subjects.map(({ id, name }) => (
            <Choice key={id} isOn={id === subject} choose={() => choose({ subject: id })}>
              {name}
            </Choice>
          ))}
        </fieldset>
      ) : null}
      <fieldset className="flex flex-wrap gap-1">
        <legend className="sr-only">Grade</legend>
        {grades.map((one) => (
          <Choice key={one} isOn={one === grade} choose={() => choose({ grade: one })}>
            grade {one}
          </Choice>
        ))}
        <Choice isOn={grade === 0} choose={() => choose({ grade: 0 })}>
          all grades
        </Choice>
      </fieldset>
    </>
  );
}

const Choice = ({
  isOn,
  choose,
  children,
}: {
  readonly isOn: boolean;
  readonly choose: () => void;
  readonly children: ReactNode;
}) => (
  <button
    type="button"
    aria-pressed={isOn}
    onClick={choose}
    className={`min-h-8 px-2 ${isOn ? "border-ink border-b-2 font-semibold" : "text-mute hover:text-ink border-b-2 border-transparent"}`}
  >
    {children}
  </button>
);
