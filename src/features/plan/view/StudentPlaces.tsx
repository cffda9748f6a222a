import { SheetLink } from "@/ui/layout/SheetLink";
import type { NextView, PlanStudentsView, PlanStudentView } from "../studentsTypes";

/** The students of a class with their places, what comes next at school and at home, and what they have finished this week. */
export function StudentPlaces({
  view,
  ticked,
  tick,
}: {
  readonly view: PlanStudentsView;
  readonly ticked: ReadonlySet<string>;
  readonly tick: (ids: readonly string[], on: boolean) => void;
}) {
  const { students, mayChange } = view;
  const all = students.length > 0 && students.every(({ id }) => ticked.has(id));
  return (
    <table className="w-full text-[15px] print:text-[13px]">
      <thead className="text-mute text-left text-[14px]">
        <tr>
          {mayChange ? (
            <th className="no-print w-8 py-1">
              <input
                type="checkbox"
                className="accent-ink"
                checked={all}
                aria-label={`All ${students.length} students`}
                onChange={() =>
                  tick(
                    students.map(({ id }) => id),
                    !all,
                  )
                }
              />
            </th>
          ) : null}
          <th className="w-40 pr-3 font-normal">Student</th>
          <th className="pr-3 font-normal">Place in the plan</th>
          <th className="pr-3 font-normal">Next at school</th>
          <th className="pr-3 font-normal">Next at home</th>
          <th className="w-36 pr-3 font-normal">Counted skills done</th>
          <th className="w-28 font-normal">Pieces this week</th>
        </tr>
      </thead>
      <tbody>
        {students.map((student) => (
          <tr key={student.id} className="border-hair border-t align-top">
            {mayChange ? (
              <td className="no-print py-1.5">
                <input
                  type="checkbox"
                  className="accent-ink"
                  checked={ticked.has(student.id)}
                  aria-label={`Tick ${student.name}`}
                  onChange={() => tick([student.id], !ticked.has(student.id))}
                />
              </td>
            ) : null}
            <td className="py-1.5 pr-3 font-semibold">
              <SheetLink id={student.id}>{student.name}</SheetLink>
            </td>
            <td className="py-1.5 pr-3">
              <PlaceCell student={student} />
            </td>
            <td className="py-1.5 pr-3">
              <NextCell next={student.atSchool} />
            </td>
            <td className="py-1.5 pr-3">
              {isSame(student) ? <span className="text-mute">the same</span> : <NextCell next={student.atHome} />}
            </td>
            <td className="py-1.5 pr-3">
              <DoneCell student={student} />
            </td>
            <td className={`py-1.5 tabular-nums ${student.pieces === 0 ? "text-mute" : ""}`}>
              {student.pieces === 0 ? "none" : student.pieces}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const isSame = ({ atSchool, atHome }: PlanStudentView): boolean =>
  atSchool !== null && atHome !== null && atSchool.skillId === atHome.skillId && atSchool.slot === atHome.slot;

function PlaceCell({ student: { atSchool, daysAhead, startsAt } }: { readonly student: PlanStudentView }) {
  const days = Math.abs(daysAhead);
  return (
    <>
      {atSchool ? `${atSchool.place}. ${atSchool.slot}` : "through with it"}
      {atSchool && daysAhead !== 0 ? (
        <span className={`block text-[14px] ${daysAhead < 0 ? "text-clay" : "text-mute"}`}>
          {days} school {days === 1 ? "day" : "days"} {daysAhead < 0 ? "behind" : "ahead of"} the dates
        </span>
      ) : null}
      {startsAt ? <span className="text-mute block text-[14px]">begins at “{startsAt}”</span> : null}
    </>
  );
}

function NextCell({ next }: { readonly next: NextView | null }) {
  if (!next) return <span className="text-clay">nothing open</span>;
  return (
    <>
      {next.skill}
      {next.begun ? <span className="text-mute"> (begun)</span> : null}
      {next.neededFor ? <span className="text-mute block text-[14px]">missing for {next.neededFor}</span> : null}
    </>
  );
}

function DoneCell({ student: { done } }: { readonly student: PlanStudentView }) {
  if (!done) return <span className="text-mute">nothing counts</span>;
  return (
    <span className="flex items-center gap-2">
      <span className="bg-bank h-2 w-16" aria-hidden>
        <i className="bg-water block h-full" style={{ width: `${(100 * done.done) / done.of}%` }} />
      </span>
      <span className="tabular-nums">
        {done.done} of {done.of}
      </span>
    </span>
  );
}
