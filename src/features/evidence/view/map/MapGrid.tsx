"use client";
import type { CSSProperties, ReactNode } from "react";
import type { PullList } from "@/client/pull-list/pullList";
import { SheetLink } from "@/ui/layout/SheetLink";
import type { MapStudent } from "../../types";
import type { MapColumn } from "./mapColumns";
import { useGridKeys } from "./useGridKeys";
import { useMapWindow } from "./useMapWindow";

/** What a cell shows. */
export interface ShownCell {
  readonly words: string;
  readonly picture: ReactNode;
  /** It is open beside the map, or marked. */
  readonly isOutlined: boolean;
  readonly pressed?: boolean | undefined;
}

interface Props {
  readonly rows: readonly MapStudent[];
  readonly columns: readonly MapColumn[];
  /** The column in view, by its place. */
  readonly chosen: number;
  /** Columns that the chosen one builds on. */
  readonly isUnder: (column: MapColumn) => boolean;
  readonly cellOf: (student: MapStudent, column: MapColumn) => ShownCell;
  readonly choose: (column: MapColumn) => void;
  readonly open: (student: MapStudent, column: MapColumn) => void;
  readonly pull: PullList;
  readonly pullFor: string | null;
  readonly besideName: (student: MapStudent) => ReactNode;
}

const MOST_WIDE = 48;
const LEAST_WIDE = 29;
const WIDTH_FOR_ALL = 640;

/** Students by columns: names and heads stay in view, and only what is in view is drawn. */
export function MapGrid(props: Props) {
  const { rows, columns, chosen, isUnder, cellOf, choose, open, pull, pullFor, besideName } = props;
  // A large class or a long strand still fits one screen: 30 rows and 20 columns at 1280 by 800.
  const rowPixels = rows.length > 26 ? 16 : rows.length > 20 ? 18 : 19;
  const columnPixels = Math.max(
    LEAST_WIDE,
    Math.min(MOST_WIDE, Math.floor(WIDTH_FOR_ALL / Math.max(1, columns.length))),
  );
  const shown = useMapWindow({ rows: rows.length, columns: columns.length, rowPixels, columnPixels });
  const grid = useGridKeys(rows, columns, pull, { open, reach: shown.reach });
  const gap = (pixels: number) => (pixels > 0 ? <td aria-hidden style={{ minWidth: pixels }} /> : null);
  return (
    <div ref={shown.box} className="max-h-[calc(100dvh-var(--desk-head)-11.5rem)] overflow-auto print:max-h-none">
      <table
        className="border-separate border-spacing-0"
        style={{ "--row": `${rowPixels}px`, "--column": `${columnPixels}px` } as CSSProperties}
        aria-label="Mastery map"
        aria-rowcount={rows.length + 1}
        aria-colcount={columns.length + 1}
        onKeyDown={grid.onKeyDown}
      >
        <thead className="bg-paper sticky top-0 z-[5] print:static">
          <tr aria-rowindex={1}>
            <td className="bg-paper sticky left-0 z-[6] w-36 print:static" />
            {gap(shown.columns.before)}
            {shown.columns.places.map((place) => {
              const column = columns[place];
              if (!column) return null;
              const under = isUnder(column);
              return (
                <th
                  key={column.id}
                  scope="col"
                  aria-colindex={place + 2}
                  className="relative h-[102px] min-w-(--column) p-0 align-bottom"
                >
                  <button
                    type="button"
                    aria-pressed={place === chosen}
                    onClick={() => choose(column)}
                    className={`absolute bottom-1 left-1/2 z-10 max-w-[10rem] origin-bottom-left -rotate-[38deg] overflow-hidden text-[13px] leading-none text-ellipsis whitespace-nowrap hover:underline ${place === chosen ? "font-extrabold" : under ? "font-semibold underline" : "font-normal"}`}
                    title={under ? `${columns[chosen]?.name} builds on it` : column.title}
                  >
                    {column.name}
                  </button>
                </th>
              );
            })}
            {gap(shown.columns.after)}
            <td className="min-w-[128px]" />
          </tr>
        </thead>
        <tbody>
          {shown.rows.before > 0 ? <tr aria-hidden style={{ height: shown.rows.before }} /> : null}
          {shown.rows.places.map((row) => {
            const student = rows[row];
            if (!student) return null;
            return (
              <tr key={student.id} aria-rowindex={row + 2} className="group">
                <th scope="row" className="bg-paper sticky left-0 z-[4] p-0 pr-2 text-left font-normal print:static">
                  <span className="flex h-(--row) items-center gap-1.5 text-[14px] leading-none whitespace-nowrap">
                    <input
                      type="checkbox"
                      className="accent-clay size-3.5"
                      checked={pull.has(student.id)}
                      onChange={() => pull.toggle({ id: student.id, name: student.name, skillId: pullFor })}
                      aria-label={`${student.name} on the pull list`}
                    />
                    <SheetLink id={student.id} className={`truncate ${pull.has(student.id) ? "font-bold" : ""}`}>
                      {student.name}
                    </SheetLink>
                    {besideName(student)}
                  </span>
                </th>
                {gap(shown.columns.before)}
                {shown.columns.places.map((place) => {
                  const column = columns[place];
                  if (!column) return null;
                  const cell = cellOf(student, column);
                  return (
                    <td
                      key={column.id}
                      aria-colindex={place + 2}
                      className={`h-(--row) w-(--column) min-w-6 p-0 px-[2px] ${place === chosen ? "bg-silt/60" : isUnder(column) ? "bg-level-0/40" : ""}`}
                    >
                      <Cell
                        place={`${row}.${place}`}
                        isStop={row === grid.at[0] && place === grid.at[1]}
                        cell={cell}
                        focus={() => grid.setAt([row, place])}
                        open={() => open(student, column)}
                      />
                    </td>
                  );
                })}
                {gap(shown.columns.after)}
                <td />
              </tr>
            );
          })}
          {shown.rows.after > 0 ? <tr aria-hidden style={{ height: shown.rows.after }} /> : null}
        </tbody>
      </table>
    </div>
  );
}

/** The words of a cell are long and there are thousands: the tooltip is made of them when the mouse comes. */
function Cell({
  place,
  isStop,
  cell,
  focus,
  open,
}: {
  readonly place: string;
  readonly isStop: boolean;
  readonly cell: ShownCell;
  readonly focus: () => void;
  readonly open: () => void;
}) {
  return (
    <button
      type="button"
      data-cell={place}
      tabIndex={isStop ? 0 : -1}
      aria-label={cell.words}
      aria-pressed={cell.pressed}
      onMouseEnter={(event) => {
        event.currentTarget.title = cell.words;
      }}
      onFocus={focus}
      onClick={open}
      className={`relative block w-full ${cell.isOutlined ? "outline-ink outline-2" : "hover:outline-mute hover:outline-2"}`}
    >
      {cell.picture}
    </button>
  );
}
