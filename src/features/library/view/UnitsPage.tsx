"use client";
import Link from "next/link";
import { parseAsInteger, parseAsString, useQueryStates } from "nuqs";
import { PageHead } from "@/ui/layout/PageHead";
import type { UnitShelves } from "../unitTypes";
import { LibraryWays } from "./LibraryWays";
import { ShelfPicker } from "./ShelfPicker";

/** The units of a grade in the order of teaching, each with its weeks and skills. */
export function UnitsPage({
  shelves: { units, subjects, start },
  base,
}: {
  readonly shelves: UnitShelves;
  readonly base: string;
}) {
  const [{ subject, grade }, set] = useQueryStates({
    subject: parseAsString.withDefault(start.subjectId),
    grade: parseAsInteger.withDefault(start.grade),
  });
  const own = units.filter(({ subjectId }) => subjectId === subject);
  const grades = [...new Set(own.map((unit) => unit.grade))].sort((x, y) => x - y);
  const shown = own.filter((unit) => grade === 0 || unit.grade === grade);
  const weeks = shown.reduce((sum, unit) => sum + unit.weeks, 0);
  return (
    <div className="px-5 py-4">
      <PageHead
        title="Library"
        sub="Units: skills that are taught together, with an overview, an hour to study beforehand, and assessments to give."
      />
      <LibraryWays base={base} at="units" />
      <div className="mb-4 flex flex-wrap items-baseline gap-x-6 gap-y-2 text-[15px]">
        <ShelfPicker
          subjects={subjects}
          grades={grades}
          subject={subject}
          grade={grade}
          choose={(chosen) => void set(chosen)}
        />
        <span className="text-mute" aria-live="polite">
          {shown.length} {shown.length === 1 ? "unit" : "units"}, about {weeks} weeks
        </span>
      </div>
      {shown.length === 0 ? (
        <p className="text-mute">No units are written for this grade yet. Its skills stand under Skills.</p>
      ) : (
        <ol className="max-w-5xl text-[16px]">
          {shown.map((unit) => (
            <li
              key={unit.id}
              className="border-hair grid gap-x-8 gap-y-0.5 border-t py-2.5 md:grid-cols-[22rem_6rem_1fr]"
            >
              <Link
                href={`${base}/library/units/${unit.id}`}
                className="decoration-hair hover:decoration-ink font-semibold underline underline-offset-4"
              >
                {unit.name}
              </Link>
              <span className="text-mute text-[15px]">
                {grade === 0 ? `grade ${unit.grade}, ` : ""}
                {unit.weeks} weeks
              </span>
              <span className="text-[15px]">
                {unit.skills.map(({ id, name, code }, place) => (
                  <span key={id}>
                    {place > 0 ? " · " : ""}
                    <Link href={`${base}/library/${id}`} className="hover:underline">
                      {name}
                    </Link>
                    {code === "" ? null : <span className="text-mute text-[14px]"> {code}</span>}
                  </span>
                ))}
              </span>
            </li>
          ))}
        </ol>
      )}
    </div>
  );
}
