"use client";
import { LEVELS } from "@/core/model/levels";
import { Button } from "@/ui/primitives/Button";
import { Gauge, gaugeWords } from "@/ui/primitives/Gauge";
import { LEVEL_NAMES } from "@/words/staff/levelNames";
import type { MapStudent, MasteryMapView } from "../../types";
import { type MapColumn, standingIn } from "./mapColumns";

/** Skills read as one: how many stand where, what is in it, and for one student how uneven it is. */
export function GroupSide({
  view,
  column,
  student,
  openSkills,
  openCell,
  pullAll,
}: {
  readonly view: MasteryMapView;
  readonly column: MapColumn;
  /** Whose cell is open; null for none. */
  readonly student: MapStudent | null;
  /** Shows the skills of the group as columns, one of them in view. */
  readonly openSkills: (skillId: string | null) => void;
  readonly openCell: (student: MapStudent, skillId: string) => void;
  readonly pullAll: (students: readonly MapStudent[]) => void;
}) {
  const standings = view.students.map((one) => ({ one, standing: standingIn(one, column) }));
  const known = standings.filter(({ standing }) => !standing.tooLittle);
  const skills = column.places.flatMap((place) => (view.skills[place] ? [{ place, skill: view.skills[place] }] : []));
  const secureIn = (place: number) =>
    view.students.filter(({ gauges }) => {
      const gauge = gauges[place];
      return gauge && !gauge.tooLittle && (gauge.level === "secure" || gauge.level === "extending");
    }).length;
  return (
    <div>
      <h2 className="font-serif text-[18px] leading-tight font-medium">
        {student ? `${student.name}, ${column.name}` : column.name}
      </h2>
      <p className="text-mute mt-1 text-[14px]">{column.title === column.name ? "" : column.title}</p>
      {student ? null : (
        <ul className="mt-2 text-[14px]">
          {LEVELS.map((level, at) => {
            const own = known.filter(({ standing }) => standing.level === level).map(({ one }) => one);
            return own.length === 0 ? null : (
              <li key={level} className="flex items-center gap-2 py-0.5">
                <i className="size-2.5" style={{ background: `var(--level-${at})` }} aria-hidden />
                <span className="flex-1">
                  {own.length} {LEVEL_NAMES[level]} on the whole
                </span>
                <Button look="quiet" className="min-h-0! px-0! py-0! text-[14px]!" onClick={() => pullAll(own)}>
                  Pull
                </Button>
              </li>
            );
          })}
          {known.length < standings.length ? (
            <li className="text-mute py-0.5 pl-[18px]">
              {standings.length - known.length} of whom too little is known
            </li>
          ) : null}
        </ul>
      )}
      <h3 className="mt-3 mb-1 text-[14px] font-bold">
        {skills.length === 1 ? "Its skill" : `Its ${skills.length} skills on the map`}
      </h3>
      <ul className="text-[14px]">
        {skills.map(({ place, skill }) => {
          const gauge = student?.gauges[place];
          return (
            <li key={skill.id} className="border-hair flex items-center gap-2 border-t py-1">
              <button
                type="button"
                className="flex-1 text-left hover:underline"
                onClick={() => (student ? openCell(student, skill.id) : openSkills(skill.id))}
              >
                {skill.name}
              </button>
              {gauge ? (
                <>
                  <Gauge {...gauge} className="h-4 w-8" />
                  <span className="sr-only">{gaugeWords(gauge)}</span>
                </>
              ) : (
                <span className="text-mute">
                  {secureIn(place)} of {view.students.length} Secure
                </span>
              )}
            </li>
          );
        })}
      </ul>
      <p className="mt-3">
        <Button onClick={() => openSkills(null)}>Show these skills as columns</Button>
      </p>
    </div>
  );
}
