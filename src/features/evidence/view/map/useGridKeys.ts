"use client";
import { parseAsString, useQueryState } from "nuqs";
import { type KeyboardEvent, useState } from "react";
import type { PullList } from "@/client/pull-list/pullList";
import type { MapStudent } from "../../types";
import type { MapColumn } from "./mapColumns";

/** Arrow keys move through the cells, Enter opens, "p" pulls, "s" shows the sheet; one cell is in the tab order. */
export function useGridKeys(
  rows: readonly MapStudent[],
  columns: readonly MapColumn[],
  pull: PullList,
  { open, reach }: { readonly open: (student: MapStudent, column: MapColumn) => void; readonly reach: Reach },
) {
  const [at, setAt] = useState<readonly [number, number]>([0, 0]);
  const [, setSheet] = useQueryState("sheet", parseAsString.withOptions({ history: "push" }));
  const onKeyDown = (event: KeyboardEvent) => {
    const place = (event.target as HTMLElement).dataset.cell?.split(".").map(Number);
    if (!place) return;
    const [row = 0, at = 0] = place;
    const [student, column] = [rows[row], columns[at]];
    const steps: Record<string, readonly [number, number]> = {
      ArrowUp: [-1, 0],
      ArrowDown: [1, 0],
      ArrowLeft: [0, -1],
      ArrowRight: [0, 1],
      j: [1, 0],
      k: [-1, 0],
      PageUp: [-PAGE, 0],
      PageDown: [PAGE, 0],
      Home: [0, -columns.length],
      End: [0, columns.length],
    };
    const step = steps[event.key];
    if (step && !event.metaKey && !event.ctrlKey && !event.altKey) {
      const next = [
        Math.min(rows.length - 1, Math.max(0, row + step[0])),
        Math.min(columns.length - 1, Math.max(0, at + step[1])),
      ] as const;
      event.preventDefault();
      setAt(next);
      reach(...next);
    } else if (student && event.key === "p") {
      // Of several skills at once none is the one that it is about.
      const skillId = column?.places.length === 1 ? column.id : null;
      pull.toggle({ id: student.id, name: student.name, skillId });
    } else if (student && event.key === "s") {
      setSheet(student.id);
    } else if (student && column && event.key === "Enter") {
      event.preventDefault();
      open(student, column);
    }
  };
  const within = [Math.min(at[0], Math.max(0, rows.length - 1)), Math.min(at[1], Math.max(0, columns.length - 1))];
  return { at: within as [number, number], setAt, onKeyDown };
}

const PAGE = 15;

/** Brings a cell into view and to the keyboard, wherever it is. */
export type Reach = (row: number, column: number) => void;
