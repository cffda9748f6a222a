"use client";
import { usePullList } from "@/client/pull-list/pullList";
import { percentDown } from "@/core/measurement/percentDown";
import { spreadOfMarks } from "@/core/measurement/spreadOfMarks";
import { rational } from "@/core/numeric/rational";
import type { TableSheet } from "@/formats/table/tableSheet";
import { ChartFrame } from "@/ui/charts/ChartFrame";
import { TenthsChart } from "@/ui/charts/TenthsChart";
import type { PieceView } from "../../pieceTypes";
import { TableFile } from "../parts/Files";
import { SheetTable } from "../parts/SheetTable";
import { Who } from "../parts/Who";

const LAST_TENTH = 9;
const whole = (share: number) => Math.round(share * 100);

/** How the marks lie, with the cut as a line that can be moved; from a bar and from either side of the line to the students. */
export function Spread({
  view,
  line,
  setLine,
  sheet,
}: {
  readonly view: PieceView;
  readonly line: number;
  readonly setLine: (line: number) => void;
  readonly sheet: TableSheet | undefined;
}) {
  const pull = usePullList();
  const marked = view.students.flatMap((student) =>
    student.mark === null || student.state === "excused" ? [] : [{ ...student, exact: rational(student.mark) }],
  );
  const spread = spreadOfMarks(
    marked.map(({ exact }) => exact),
    line,
  );
  if (!spread) return <p className="text-mute">No mark yet: nobody has finished.</p>;
  const tenthOf = (student: (typeof marked)[number]) =>
    Math.min(LAST_TENTH, Math.floor(percentDown(student.exact) / 10));
  const reached = marked.filter(({ exact }) => exact.mul(100).compare(rational(line)) >= 0);
  const below = marked.filter((student) => !reached.includes(student));
  return (
    <ChartFrame
      question="How do the marks lie?"
      good={
        <>
          Mean <b className="text-ink">{whole(spread.mean)} %</b>, median {whole(spread.median)} %
          {spread.sd === null ? "" : `, most within ${whole(spread.sd)} points of the mean`}; {spread.n}{" "}
          {spread.n === 1 ? "mark" : "marks"}.
          {view.cutPercent === null ? " No cut was set: the line is drawn at the usual place." : ""}
        </>
      }
      chart={
        <TenthsChart
          counts={spread.tenths}
          line={line}
          choose={(tenth) =>
            pull.add(
              marked.filter((one) => tenthOf(one) === tenth).map(({ id, name }) => ({ id, name, skillId: null })),
            )
          }
        />
      }
      table={sheet ? <SheetTable sheet={sheet} /> : null}
    >
      <TableFile report="pieces" table="Students" of={{ work: view.id }} />
      <label className="flex items-center gap-2 text-[14px]">
        Line at
        <input
          type="range"
          min={0}
          max={100}
          value={line}
          onChange={(event) => setLine(event.target.valueAsNumber)}
          className="accent-ink w-36"
        />
        <output>{line} %</output>
      </label>
      <p className="w-full text-[15px]">
        <Who students={reached} skillId={null} what={`at or above ${line} %`}>
          {reached.length} of {spread.n} at or above {line} %
        </Who>
        ,{" "}
        <Who students={below} skillId={view.leadSkillId} what={`below ${line} %`} className="font-semibold">
          {below.length} below
        </Who>
        . With so few, the share for students like these lies anywhere from {whole(spread.reached.low)} to{" "}
        {whole(spread.reached.high)} %.
      </p>
    </ChartFrame>
  );
}
