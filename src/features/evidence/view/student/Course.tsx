"use client";
import { Fragment, useState } from "react";
import { BandChart } from "@/ui/charts/BandChart";
import { ChartFrame } from "@/ui/charts/ChartFrame";
import { Why } from "@/ui/primitives/Why";
import { figureWords } from "@/words/staff/figureWords";
import { studentSheets } from "../../sheets/studentSheets";
import type { StudentReportView, WholeView } from "../../studentTypes";
import { TableFile } from "../parts/Files";
import { SheetTable } from "../parts/SheetTable";

/** The level lies within so many errors, 19 times of 20. */
const ERRORS = 2;

/** The level over the weeks with its band, of the whole or a strand; which strand holds the whole down. */
export function Course({ view }: { readonly view: StudentReportView }) {
  const [chosen, setChosen] = useState(view.wholes[0]?.id ?? "");
  const [sheet] = studentSheets(view);
  const shown = [...view.wholes, ...view.strands].find(({ id }) => id === chosen) ?? view.wholes[0];
  // Of two subjects neither is read without the other.
  const beside = view.wholes.length === 2 && view.wholes.some(({ id }) => id === shown?.id) ? view.wholes : null;
  if (!shown)
    return (
      <p className="text-mute text-[15px]">
        Nothing is known yet. A diagnostic tells most in the least time; any practice tells a little.
      </p>
    );
  return (
    <ChartFrame
      question="How has the level gone?"
      good={
        beside ? (
          <>
            {beside.map((whole, place) => (
              <Fragment key={whole.id}>
                {place > 0 ? "; " : ""}
                {whole.name}: {whole.level.score}, give or take {ERRORS * whole.level.se}
              </Fragment>
            ))}{" "}
            (500 is the end of grade 6, 25 a grade; each subject has a scale of its own).
          </>
        ) : shown.place ? (
          <>
            {shown.name}: about where <b className="text-ink">{shown.place.nearest}</b> stands, between{" "}
            {shown.place.from} and {shown.place.to}; {shown.level.score} on the scale, give or take{" "}
            {ERRORS * shown.level.se} (500 is the end of grade 6, 25 a grade).
          </>
        ) : null
      }
      chart={
        beside ? (
          <div className="grid gap-x-6 sm:grid-cols-2">
            {beside.map(({ id, name }) => (
              <figure key={id}>
                <figcaption className="text-[14px] font-semibold">{name}</figcaption>
                <BandChart points={pointsOf(view, id)} unit="on the scale" />
              </figure>
            ))}
          </div>
        ) : (
          <BandChart points={pointsOf(view, shown.id)} unit="on the scale" />
        )
      }
      table={sheet ? <SheetTable sheet={sheet} /> : null}
    >
      <TableFile report="students" table="Levels" of={{ student: view.id }} />
      <ul className="w-full text-[14px]">
        {view.wholes.map((whole) => (
          <Fragment key={whole.id}>
            <Row one={whole} words="" isChosen={shown.id === whole.id} choose={() => setChosen(whole.id)} />
            {view.strands
              .filter(({ subjectId }) => subjectId === whole.id)
              .map((strand) => (
                <Row
                  key={strand.id}
                  one={strand}
                  words={strand.holdsDown ? "holds the whole down" : ""}
                  isChosen={shown.id === strand.id}
                  choose={() => setChosen(strand.id)}
                  inner
                />
              ))}
          </Fragment>
        ))}
      </ul>
      {view.strands.length > 1 && !view.strands.some(({ holdsDown }) => holdsDown) ? (
        <p className="text-mute w-full text-[14px]">No strand lies below the others by more than the error.</p>
      ) : null}
    </ChartFrame>
  );
}

/** The level week by week with its band; weeks before anything was known have none. */
const pointsOf = (view: StudentReportView, id: string) =>
  view.course.map(({ week, levels }) => {
    const at = levels[id];
    return {
      at: week,
      value: at?.score ?? null,
      low: at ? at.score - ERRORS * at.se : null,
      high: at ? at.score + ERRORS * at.se : null,
    };
  });

function Row(props: {
  readonly one: WholeView;
  readonly words: string;
  readonly isChosen: boolean;
  readonly choose: () => void;
  readonly inner?: boolean;
}) {
  const { one, words, isChosen, choose, inner = false } = props;
  return (
    <li className={`border-hair flex items-baseline gap-3 border-t py-0.5 ${inner ? "pl-4" : ""}`}>
      <button
        type="button"
        aria-pressed={isChosen}
        className={`min-w-0 truncate text-left hover:underline ${isChosen ? "font-bold" : ""}`}
        onClick={choose}
      >
        {one.name}
      </button>
      {words ? <span className="text-clay whitespace-nowrap">{words}</span> : null}
      <Why
        className="text-mute ml-auto whitespace-nowrap tabular-nums"
        of={`${one.name}: ${one.level.score} give or take ${ERRORS * one.level.se}`}
        words={figureWords("level", {
          score: one.level.score,
          whole: inner ? "no" : "yes",
          low: one.level.score - ERRORS * one.level.se,
          high: one.level.score + ERRORS * one.level.se,
        })}
      >
        {one.level.score} ± {ERRORS * one.level.se}
      </Why>
    </li>
  );
}
