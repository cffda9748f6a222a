import { format, parseISO } from "date-fns";
import Link from "next/link";
import { SheetLink } from "@/ui/layout/SheetLink";
import type { ReviewStudentLine } from "../../types";

const percent = (share: number) => `${Math.round(share * 100)} %`;

const TODAY: Readonly<Record<ReviewStudentLine["today"], string>> = {
  done: "done",
  begun: "begun",
  "not-yet": "not yet",
  "nothing-due": "nothing due",
};

/** Who reviews what, whom the minutes are too few for, and who was there today. */
export function ReviewStudents({
  lines,
  base,
  classId,
}: {
  readonly lines: readonly ReviewStudentLine[];
  readonly base: string;
  readonly classId: string;
}) {
  return (
    <section aria-labelledby="students" className="mt-7">
      <h2 id="students" className="font-serif text-[20px] font-medium">
        Students
      </h2>
      <div className="mt-1 overflow-x-auto">
        <table className="text-[14px]">
          <caption className="sr-only">Review of each student</caption>
          <thead className="text-mute text-left align-bottom">
            <tr>
              <th className="pr-6 pb-1 font-normal">Student</th>
              <th className="pr-6 pb-1 text-right font-normal">skills</th>
              <th className="pr-6 pb-1 text-right font-normal">remembered today</th>
              <th className="pr-6 pb-1 text-right font-normal">min a week, needed of given</th>
              <th className="pr-6 pb-1 text-right font-normal">due today</th>
              <th className="pr-6 pb-1 text-right font-normal">beyond the minutes</th>
              <th className="pr-6 pb-1 text-right font-normal">right at first</th>
              <th className="pr-6 pb-1 font-normal">today</th>
              <th className="pb-1 font-normal">last reviewed</th>
            </tr>
          </thead>
          <tbody>
            {lines.map((line) => (
              <tr key={line.studentId} className="border-hair border-t">
                <th scope="row" className="py-1 pr-6 text-left font-normal whitespace-nowrap">
                  <SheetLink id={line.studentId}>{line.name}</SheetLink>{" "}
                  <Link className="text-mute underline" href={`${base}/work/review/${classId}/${line.studentId}`}>
                    review
                  </Link>
                  {line.differs ? <span className="text-mute"> own settings</span> : null}
                </th>
                {line.on ? <Figures line={line} /> : <td colSpan={8}>switched off</td>}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

function Figures({ line }: { readonly line: ReviewStudentLine }) {
  const { skills, remembered, needed, given, due, leftOver, accuracy, today, lastDay } = line;
  const cell = "py-1 pr-6 text-right tabular-nums";
  return (
    <>
      <td className={cell}>{skills}</td>
      <td className={cell}>{remembered === null ? "–" : percent(remembered)}</td>
      <td className={`${cell} ${needed > given ? "text-clay" : ""}`}>
        {Math.round(needed)} of {Math.round(given)}
      </td>
      <td className={cell}>{due}</td>
      <td className={`${cell} ${leftOver > 0 ? "text-clay" : ""}`}>{leftOver}</td>
      <td className={cell}>{accuracy.of === 0 ? "–" : `${accuracy.right} of ${accuracy.of}`}</td>
      <td className="py-1 pr-6 whitespace-nowrap">{TODAY[today]}</td>
      <td className="text-mute py-1 whitespace-nowrap">
        {lastDay === null ? "not yet" : format(parseISO(lastDay), "d MMM")}
      </td>
    </>
  );
}
