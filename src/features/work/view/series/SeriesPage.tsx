"use client";
import Link from "next/link";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { SheetLink } from "@/ui/layout/SheetLink";
import { Button } from "@/ui/primitives/Button";
import { dayWords } from "@/words/staff/dayWords";
import { endSeriesAction } from "../../actions";
import type { SeriesView } from "../../seriesTypes";
import { SeriesTrend } from "./SeriesTrend";
import { dueWords, rhythmWords, sourceWords, weekdaysWords } from "./seriesWords";

const MOST_COMING = 8;

/** Work that is given again and again: how the class came along over its pieces, and what is to come. */
export function SeriesPage({ series, base }: { readonly series: SeriesView; readonly base: string }) {
  const run = useRun(undoAction);
  const { rules, pieces, rows, coming } = series;
  return (
    <div className="px-5 py-4">
      <PageHead
        title={series.title}
        sub={`${series.className}, ${weekdaysWords(rules.weekdays)}, ${rhythmWords(rules.everyWeeks)}: ${rules.items} items on ${
          series.skills.length > 0 ? series.skills.join(", ") : sourceWords(rules)
        }; due ${dueWords(rules.dueAfter)}. Given by ${series.owner}.`}
      >
        {series.ended ? (
          <span className="text-mute text-[15px]">Ended; it gives nothing more.</span>
        ) : (
          <Button
            disabled={run.busy}
            onClick={() => run(() => endSeriesAction(series.id), `Ended “${series.title}”. What it gave stays.`)}
          >
            End the series
          </Button>
        )}
      </PageHead>
      {pieces.length === 0 ? (
        <p className="text-mute py-4">Nothing has been given yet. The first piece comes on its day by itself.</p>
      ) : (
        <>
          {pieces.some(({ sharePercent }) => sharePercent !== null) ? <SeriesTrend pieces={pieces} /> : null}
          <div className="overflow-x-auto">
            <table className="mb-6 text-[15px]">
              <caption className="sr-only">Right at the first try of answered, student by piece</caption>
              <thead className="text-mute text-left text-[14px]">
                <tr>
                  <th className="w-40 py-1 font-normal">Student</th>
                  {pieces.map(({ id, day }) => (
                    <th key={id} className="px-2 font-normal whitespace-nowrap">
                      <Link className="underline underline-offset-3" href={`${base}/work/${id}`}>
                        {dayWords(day).replace(/ \d{4}$/, "")}
                      </Link>
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {rows.map((row) => (
                  <tr key={row.id} className="border-hair border-t">
                    <td className="py-0.5">
                      <SheetLink id={row.id}>{row.name}</SheetLink>
                    </td>
                    {row.cells.map((cell, place) => (
                      <td key={pieces[place]?.id} className={`px-2 tabular-nums ${cell?.done ? "" : "text-mute"}`}>
                        {cell === null ? "not given" : cell.done === 0 ? "not begun" : `${cell.right} of ${cell.done}`}
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </>
      )}
      {coming.length > 0 ? (
        <section className="text-[15px]">
          <h2 className="mb-1 font-serif text-[18px] font-medium">To come</h2>
          <ul>
            {coming.slice(0, MOST_COMING).map(({ day, insteadOf }) => (
              <li key={day}>
                {dayWords(day)}
                {insteadOf === null ? "" : `, instead of ${dayWords(insteadOf)}, when there is no school`}
              </li>
            ))}
          </ul>
          {coming.length > MOST_COMING ? (
            <p className="text-mute">
              and {coming.length - MOST_COMING} more, the last on {dayWords(coming.at(-1)?.day ?? "")}
            </p>
          ) : null}
        </section>
      ) : null}
    </div>
  );
}
