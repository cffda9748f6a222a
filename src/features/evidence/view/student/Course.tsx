"use client";
import { useState } from "react";
import { BandChart } from "@/ui/charts/BandChart";
import { ChartFrame } from "@/ui/charts/ChartFrame";
import { studentSheets } from "../../sheets/studentSheets";
import type { ScaleLevel, StudentReportView } from "../../studentTypes";
import { TableFile } from "../parts/Files";
import { SheetTable } from "../parts/SheetTable";

const WHOLE = "";
/** The level lies within so many errors, 19 times of 20. */
const ERRORS = 2;

/** The level over the weeks with its band, of the whole or a strand; which strand holds the whole down. */
export function Course({ view }: { readonly view: StudentReportView }) {
  const [strandId, setStrandId] = useState(WHOLE);
  const [sheet] = studentSheets(view);
  const strand = view.strands.find(({ id }) => id === strandId);
  const place = strand ? strand.place : view.overallPlace;
  const level = strand ? strand.level : view.overall;
  const holding = view.strands.filter(({ holdsDown }) => holdsDown);
  const points = view.course.map(({ week, overall, strands }) => {
    const at: ScaleLevel | null = strandId === WHOLE ? overall : (strands[strandId] ?? null);
    return {
      at: week,
      value: at?.score ?? null,
      low: at ? at.score - ERRORS * at.se : null,
      high: at ? at.score + ERRORS * at.se : null,
    };
  });
  if (!view.overall)
    return (
      <p className="text-mute text-[15px]">
        Nothing is known yet. A diagnostic tells most in the least time; any practice tells a little.
      </p>
    );
  return (
    <ChartFrame
      question="How has the level gone?"
      good={
        level && place ? (
          <>
            {strand ? strand.name : "In all"} about where <b className="text-ink">{place.nearest}</b> stands, between{" "}
            {place.from} and {place.to}; {level.score} on the scale, give or take {ERRORS * level.se} (500 is the end of
            grade 6, 25 a grade).
          </>
        ) : null
      }
      chart={<BandChart points={points} unit="on the scale" />}
      table={sheet ? <SheetTable sheet={sheet} /> : null}
    >
      <TableFile report="students" table="Levels" of={{ student: view.id }} />
      <ul className="w-full text-[14px]">
        <li>
          <button
            type="button"
            aria-pressed={strandId === WHOLE}
            className={`hover:underline ${strandId === WHOLE ? "font-bold" : ""}`}
            onClick={() => setStrandId(WHOLE)}
          >
            The whole
          </button>
        </li>
        {view.strands.map((one) => (
          <li key={one.id} className="border-hair flex items-baseline gap-3 border-t py-0.5">
            <button
              type="button"
              aria-pressed={strandId === one.id}
              className={`min-w-0 truncate text-left hover:underline ${strandId === one.id ? "font-bold" : ""}`}
              onClick={() => setStrandId(one.id)}
            >
              {one.name}
            </button>
            {one.holdsDown ? <span className="text-clay whitespace-nowrap">holds the whole down</span> : null}
            <span className="text-mute ml-auto whitespace-nowrap tabular-nums">
              {one.level.score} ± {ERRORS * one.level.se}
            </span>
          </li>
        ))}
      </ul>
      {holding.length === 0 && view.strands.length > 1 ? (
        <p className="text-mute w-full text-[14px]">No strand lies below the others by more than the error.</p>
      ) : null}
    </ChartFrame>
  );
}
