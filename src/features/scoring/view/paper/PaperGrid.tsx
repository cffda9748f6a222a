"use client";
import { type KeyboardEvent, useEffect, useRef, useState } from "react";
import { PageHead } from "@/ui/layout/PageHead";
import { SheetLink } from "@/ui/layout/SheetLink";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { Problem } from "@/ui/primitives/Field";
import type { PaperGridView, PaperRow } from "../../types";
import { SheetCamera } from "./SheetCamera";
import { cellKey, type Paper, pointsOf, usePaper } from "./usePaper";

const STATE_WORDS: Readonly<Record<Paper["state"], string>> = {
  saved: "Saved",
  saving: "Saving…",
  unsent: "Not saved yet",
};

/** Results of a test on paper, typed in: a row a student, a column an item. Enter goes down, Tab to the right. */
export function PaperGrid({
  grid,
  base,
  studentId,
}: {
  readonly grid: PaperGridView;
  readonly base: string;
  /** Whose sheet is on the desk: the grid begins there. */
  readonly studentId: string | null;
}) {
  const paper = usePaper(grid);
  const table = useRef<HTMLTableElement>(null);
  const [isLooking, setLooking] = useState(false);
  const columns = Math.max(...grid.forms.map(({ items }) => items.length));
  const several = grid.forms.length > 1;
  /** The cursor is put into a cell once: what is saved brings the page anew, and the cursor stays where it is then. */
  const placed = useRef(false);
  useEffect(() => {
    if (placed.current) return;
    placed.current = true;
    const row = grid.rows.findIndex((one) => one.studentId === studentId);
    field(table.current, Math.max(0, row), 0)?.focus();
  }, [grid.rows, studentId]);
  const entered = grid.rows.filter((row) => isWhole(paper, row)).length;
  return (
    <div className="px-5 py-4">
      <PageHead
        title={`${grid.title}, on paper`}
        sub={`${grid.className}. Type the points of each item, halves too: Enter goes down, Tab to the right, A marks absent, F gives the rest full points.`}
      >
        <span
          role="status"
          className={`text-[15px] ${paper.state === "unsent" ? "text-clay font-semibold" : "text-mute"}`}
        >
          {STATE_WORDS[paper.state]}; {entered} of {grid.rows.length} whole
        </span>
        <Button aria-pressed={isLooking} onClick={() => setLooking(!isLooking)}>
          {isLooking ? "Close the camera" : "Read sheets’ codes"}
        </Button>
        <ButtonLink href={`${base}/work/${grid.workId}`}>To the work</ButtonLink>
      </PageHead>
      <Problem text={paper.problem} />
      {isLooking ? (
        <SheetCamera
          grid={grid}
          found={(row) => field(table.current, row, firstEmpty(paper, grid.rows[row]))?.focus()}
        />
      ) : null}
      <div className="overflow-x-auto">
        <table ref={table} className="text-[15px]">
          <thead className="text-mute text-left text-[14px]">
            <tr>
              <th className="w-40 py-1 font-normal">Student</th>
              {Array.from({ length: columns }, (_, place) => place + 1).map((number) => (
                <th
                  key={number}
                  className="px-1 text-center font-normal"
                  title={grid.forms[0]?.items[number - 1]?.stem}
                >
                  {number}
                  <span className="block text-[12px]">{most(grid, number - 1)}</span>
                </th>
              ))}
              <th className="px-3 font-normal">Points</th>
              <th className="px-3 font-normal">Absent</th>
              <th>
                <span className="sr-only">All at once</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {grid.rows.map((row, place) => (
              <Row key={row.studentId} grid={grid} row={row} place={place} paper={paper} several={several} />
            ))}
          </tbody>
        </table>
      </div>
    </div>
  );
}

/** The points that an item has, where all forms agree. */
function most({ forms }: PaperGridView, place: number): string {
  const all = [...new Set(forms.map(({ items }) => items[place]?.points))];
  return all.length === 1 ? `of ${all[0]}` : "";
}

/** Where typing goes on in a row. */
const firstEmpty = (paper: Paper, row: PaperRow | undefined): number =>
  Math.max(
    0,
    row?.points.findIndex((_, place) => (paper.cells[cellKey(row.studentId, place)]?.text ?? "") === "") ?? 0,
  );

const isWhole = (paper: Paper, row: PaperRow): boolean =>
  row.points.every((_, place) => {
    const cell = paper.cells[cellKey(row.studentId, place)];
    return cell !== undefined && cell.text !== "" && cell.problem === null;
  });

const field = (table: HTMLTableElement | null, row: number, column: number) =>
  table?.querySelector<HTMLInputElement>(`[data-cell="${row}-${column}"]`) ?? null;

function Row({
  grid,
  row,
  place,
  paper,
  several,
}: {
  readonly grid: PaperGridView;
  readonly row: PaperRow;
  readonly place: number;
  readonly paper: Paper;
  readonly several: boolean;
}) {
  const isAbsent = paper.absent.has(row.studentId);
  const cells = row.points.map((_, column) => paper.cells[cellKey(row.studentId, column)]);
  const sum = cells.reduce(
    (total, cell) => total + (cell?.problem === null ? Number(cell.text.replace(",", ".")) || 0 : 0),
    0,
  );
  const all = row.points.reduce<number>((total, _, column) => total + pointsOf(grid, row, column), 0);
  const whole = isWhole(paper, row);
  const wrong = cells.findIndex((cell) => cell?.problem != null);
  return (
    <tr className="border-hair border-t">
      <td className="py-1">
        <SheetLink id={row.studentId}>{row.name}</SheetLink>
        {several ? <span className="text-mute text-[13px]"> form {row.form}</span> : null}
      </td>
      {cells.map((cell, column) => (
        <td key={column} className="px-1 text-center">
          <input
            data-cell={`${place}-${column}`}
            inputMode="decimal"
            aria-label={`${row.name}, item ${column + 1}, of ${pointsOf(grid, row, column)}`}
            aria-invalid={cell?.problem != null}
            title={cell?.problem ?? undefined}
            readOnly={isAbsent}
            className={`bg-field w-11 border-[1.5px] px-1 py-0.5 text-center tabular-nums read-only:opacity-40 ${
              cell?.problem != null ? "border-clay" : "border-hair focus:border-ink"
            }`}
            value={cell?.text ?? ""}
            onChange={(event) => paper.type(row, column, event.target.value)}
            onFocus={(event) => event.target.select()}
            onKeyDown={(event) => {
              if (event.key.toLowerCase() === "a") paper.setAbsent(row, !isAbsent);
              else if (event.key.toLowerCase() === "f" && !isAbsent) paper.fill(row);
              else move(event, place, column);
            }}
          />
        </td>
      ))}
      <td className="px-3 tabular-nums whitespace-nowrap">
        {wrong >= 0 ? (
          <span role="alert" className="text-clay">
            item {wrong + 1}: {cells[wrong]?.problem}
          </span>
        ) : isAbsent ? (
          "absent"
        ) : cells.every((cell) => (cell?.text ?? "") === "") ? (
          ""
        ) : whole ? (
          `${sum} of ${all}, ${Math.floor((100 * sum) / all)} %`
        ) : (
          `${sum} so far`
        )}
      </td>
      <td className="px-3 text-center">
        <input
          type="checkbox"
          className="accent-ink"
          // From the keyboard it is a letter in any cell, so that Tab goes on to the next row.
          tabIndex={-1}
          aria-label={`${row.name} was absent`}
          checked={isAbsent}
          onChange={(event) => paper.setAbsent(row, event.target.checked)}
        />
      </td>
      <td>
        {isAbsent || whole ? null : (
          <Button look="quiet" tabIndex={-1} className="text-[14px]!" onClick={() => paper.fill(row)}>
            Rest full points
          </Button>
        )}
      </td>
    </tr>
  );
}

/** Enter, Tab and the arrows go through the grid; what is typed stays. */
function move(event: KeyboardEvent<HTMLInputElement>, row: number, column: number): void {
  const steps: Readonly<Record<string, readonly [number, number]>> = {
    Enter: [1, 0],
    ArrowDown: [1, 0],
    ArrowUp: [-1, 0],
    ArrowRight: [0, 1],
    ArrowLeft: [0, -1],
  };
  const step = steps[event.key];
  const table = event.currentTarget.closest("table");
  if (table && event.key === "Tab" && !event.shiftKey && field(table, row, column + 1) === null) {
    // What stands between two rows has keys of its own.
    const below = field(table, row + 1, 0);
    if (below) event.preventDefault();
    below?.focus();
    return;
  }
  if (!step || !table) return;
  event.preventDefault();
  const next = field(table, row + step[0], column + step[1]);
  if (next) next.focus();
  // At the foot of a column Enter goes on at the top of the next.
  else if (event.key === "Enter") field(table, 0, column + 1)?.focus();
}
