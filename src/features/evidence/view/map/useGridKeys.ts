"use client";
import { parseAsString, useQueryState } from "nuqs";
import { type KeyboardEvent, useRef, useState } from "react";
import type { PullList } from "@/client/pull-list/pullList";
import type { MapSkill, MapStudent } from "../../types";

/** Arrow keys move through the cells, Enter opens, "p" pulls, "s" shows the sheet; one cell is in the tab order. */
export function useGridKeys(
  rows: readonly MapStudent[],
  skills: readonly MapSkill[],
  pull: PullList,
  open: (student: MapStudent, skill: MapSkill) => void,
) {
  const table = useRef<HTMLTableElement>(null);
  const [at, setAt] = useState<readonly [number, number]>([0, 0]);
  const [, setSheet] = useQueryState("sheet", parseAsString.withOptions({ history: "push" }));
  const onKeyDown = (event: KeyboardEvent) => {
    const place = (event.target as HTMLElement).dataset.cell?.split(".").map(Number);
    if (!place) return;
    const [row = 0, column = 0] = place;
    const [student, skill] = [rows[row], skills[column]];
    const steps: Record<string, readonly [number, number]> = {
      ArrowUp: [-1, 0],
      ArrowDown: [1, 0],
      ArrowLeft: [0, -1],
      ArrowRight: [0, 1],
      j: [1, 0],
      k: [-1, 0],
    };
    const step = steps[event.key];
    if (step) {
      const next = [
        Math.min(rows.length - 1, Math.max(0, row + step[0])),
        Math.min(skills.length - 1, Math.max(0, column + step[1])),
      ] as const;
      event.preventDefault();
      setAt(next);
      table.current?.querySelector<HTMLElement>(`[data-cell="${next[0]}.${next[1]}"]`)?.focus();
    } else if (student && skill && event.key === "p") {
      pull.toggle({ id: student.id, name: student.name, skillId: skill.id });
    } else if (student && event.key === "s") {
      setSheet(student.id);
    } else if (student && skill && event.key === "Enter") {
      event.preventDefault();
      open(student, skill);
    }
  };
  const within = [Math.min(at[0], Math.max(0, rows.length - 1)), at[1]] as const;
  return { table, at: within, setAt, onKeyDown };
}
