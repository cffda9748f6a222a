"use client";
import { useParams, useRouter, useSearchParams } from "next/navigation";
import { useState } from "react";
import { usePullList } from "@/client/pull-list/pullList";
import { reachesCut } from "@/core/measurement/reachesCut";
import { rational } from "@/core/numeric/rational";
import { PageHead } from "@/ui/layout/PageHead";
import { SheetLink } from "@/ui/layout/SheetLink";
import { Button, FileLink } from "@/ui/primitives/Button";
import type { MarksView } from "../../marksTypes";
import { markSheets, percentOf } from "../../sheets/markSheets";
import { useFrame } from "../frame/useFrame";
import { Files } from "../parts/Files";
import { SheetTables } from "../parts/SheetTables";
import { MarkCellView } from "./MarkCellView";
import { ColumnFoot, ColumnHead } from "./MarkColumns";

/** Marks by student and piece of work, with what they average to and why. */
export function MarksPage({ view }: { readonly view: MarksView }) {
  const { classes } = useParams<{ classes: string }>();
  const { kept, all } = useFrame();
  const pull = usePullList();
  const [asTable, setAsTable] = useState(false);
  const sheets = markSheets(view);
  const many = new Set(view.rows.map(({ className }) => className)).size > 1;
  const below = view.rows.filter(({ average }) => average !== null && !reachesCut(rational(average), view.line));
  const asked = new URLSearchParams(all());
  asked.set("classes", classes);
  return (
    <div className="px-5 py-3">
      <PageHead
        title="What do the marks come to?"
        sub={
          <>
            {view.average === null ? "No mark yet" : `On average ${percentOf(view.average)} %`}; {below.length} of{" "}
            {view.rows.length} students lie below {view.line} %. <Weighing view={view} />
          </>
        }
      >
        <Button
          disabled={below.length === 0}
          onClick={() => pull.add(below.map(({ id, name }) => ({ id, name, skillId: null })))}
        >
          Pull the {below.length} below
        </Button>
        <Button onClick={() => setAsTable(!asTable)}>{asTable ? "As marks" : "As a table"}</Button>
        <Files report="marks" />
        <FileLink href={`/api/reports/marks?${asked}&as=package`}>Gradebook</FileLink>
      </PageHead>
      {view.columns.length === 0 ? (
        <p className="text-mute py-6">
          No piece of work with a mark was given or due in these days. Choose others in the line above.
        </p>
      ) : asTable ? (
        <SheetTables report="marks" sheets={sheets} />
      ) : (
        <div className="max-h-[calc(100dvh-var(--desk-head)-11.5rem)] overflow-auto print:max-h-none print:overflow-visible">
          <table className="border-collapse text-[14px]">
            <caption className="sr-only">Marks of each student</caption>
            <thead className="bg-paper sticky top-0 z-[1]">
              <tr className="border-ink border-b align-bottom">
                <th scope="col" className="bg-paper sticky left-0 z-[1] py-1 pr-3 text-left font-semibold">
                  Student
                </th>
                <th scope="col" className="px-2 text-right font-semibold">
                  Average
                </th>
                {view.columns.map((column) => (
                  <ColumnHead
                    key={column.key}
                    column={column}
                    many={many}
                    href={`/desk/${classes}/evidence/pieces/${column.workId}${kept()}`}
                  />
                ))}
              </tr>
            </thead>
            <tbody>
              {view.rows.map((row) => (
                <tr key={row.id} className="border-hair border-b">
                  <th
                    scope="row"
                    className="bg-paper sticky left-0 py-0.5 pr-3 text-left font-normal whitespace-nowrap"
                  >
                    <input
                      type="checkbox"
                      className="accent-clay no-print mr-1.5 size-3.5"
                      checked={pull.has(row.id)}
                      onChange={() => pull.toggle({ id: row.id, name: row.name, skillId: null })}
                      aria-label={`${row.name} on the pull list`}
                    />
                    <SheetLink id={row.id}>{row.name}</SheetLink>
                    {row.left ? <span className="text-mute"> left</span> : null}
                  </th>
                  <td
                    className="px-2 text-right font-semibold tabular-nums"
                    title={view.categories
                      .map(
                        (category, place) =>
                          `${category || "without a category"}: ${percentOf(row.byCategory[place] ?? null) ?? "no mark"} %`,
                      )
                      .join("; ")}
                  >
                    {row.average === null ? "" : `${percentOf(row.average)} %`}
                  </td>
                  {row.cells.map((cell, place) => (
                    <MarkCellView
                      key={view.columns[place]?.key}
                      cell={cell}
                      row={row}
                      column={view.columns[place]}
                      line={view.line}
                      mayChange={view.mayChange}
                    />
                  ))}
                </tr>
              ))}
            </tbody>
            <tfoot className="bg-paper sticky bottom-0">
              <tr className="border-ink border-t">
                <th scope="row" className="bg-paper sticky left-0 py-1 text-left font-semibold">
                  Mean; at {view.line} % or above
                </th>
                <td className="px-2 text-right font-semibold tabular-nums">
                  {view.average === null ? "" : `${percentOf(view.average)} %`}
                </td>
                {view.columns.map((column, place) => (
                  <ColumnFoot
                    key={column.key}
                    column={column}
                    below={view.rows.filter((row) => {
                      const mark = row.cells[place]?.mark;
                      return mark != null && !reachesCut(rational(mark), view.line);
                    })}
                    line={view.line}
                  />
                ))}
              </tr>
            </tfoot>
          </table>
        </div>
      )}
    </div>
  );
}

/** How the average comes about, as a sentence of choices. */
function Weighing({ view }: { readonly view: MarksView }) {
  const router = useRouter();
  const search = useSearchParams();
  const set = (key: string, value: string) => {
    const next = new URLSearchParams(search);
    next.set(key, value);
    router.push(`?${next}`, { scroll: false });
  };
  return (
    <>
      <label>
        Each{" "}
        <select
          className="word-edit bg-transparent"
          value={view.weighing}
          onChange={(event) => set("weigh", event.target.value)}
        >
          <option value="pieces">piece</option>
          <option value="points">point</option>
        </select>{" "}
        counts the same;
      </label>{" "}
      <label>
        practice counts by{" "}
        <select
          className="word-edit bg-transparent"
          value={view.by}
          onChange={(event) => set("by", event.target.value)}
        >
          <option value="first">what was right at the first try</option>
          <option value="end">how far its end was reached</option>
        </select>
      </label>
      ; the line is at{" "}
      <input
        type="number"
        min={0}
        max={100}
        aria-label="Line in per cent"
        className="word-edit w-12 bg-transparent"
        defaultValue={view.line}
        onBlur={(event) => (event.target.value === "" ? null : set("line", event.target.value))}
        onKeyDown={(event) => (event.key === "Enter" ? set("line", event.currentTarget.value) : null)}
      />{" "}
      %.
    </>
  );
}
