"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import { enterPaperAction } from "../../actions";
import type { PaperGridView, PaperRow } from "../../types";

/** What was typed is sent once nothing has been changed for so long. */
const REST_MILLISECONDS = 700;

/** A cell as it stands on the screen; text that is no number of points stays there with a reason. */
export interface Cell {
  readonly text: string;
  readonly problem: string | null;
}

export interface Paper {
  readonly cells: Readonly<Record<string, Cell>>;
  readonly absent: ReadonlySet<string>;
  readonly state: "saved" | "saving" | "unsent";
  readonly problem: string | null;
  type(row: PaperRow, place: number, text: string): void;
  fill(row: PaperRow): void;
  setAbsent(row: PaperRow, absent: boolean): void;
}

export const cellKey = (studentId: string, place: number): string => `${studentId} ${place}`;

interface Entry {
  readonly studentId: string;
  readonly place: number;
  readonly points: number | null;
}

/** The grid in the browser: what is typed is taken at once and sent in the background, cell by cell; what did not get through is sent again. */
export function usePaper(grid: PaperGridView): Paper {
  const [cells, setCells] = useState<Readonly<Record<string, Cell>>>(() => cellsOf(grid));
  const [absent, setAbsentSet] = useState(
    () => new Set(grid.rows.filter((row) => row.absent).map(({ studentId }) => studentId)),
  );
  const [state, setState] = useState<Paper["state"]>("saved");
  const [problem, setProblem] = useState<string | null>(null);
  const waiting = useRef(new Map<string, Entry>());
  const waitingAbsent = useRef(new Map<string, boolean>());
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const sending = useRef(false);

  const send = useCallback(async () => {
    if (sending.current || (waiting.current.size === 0 && waitingAbsent.current.size === 0)) return;
    sending.current = true;
    setState("saving");
    const entries = [...waiting.current];
    const absences = [...waitingAbsent.current];
    try {
      const result = await enterPaperAction({
        assignmentId: grid.workId,
        entries: entries.map(([, entry]) => entry),
        absent: absences.map(([studentId, isAbsent]) => ({ studentId, absent: isAbsent })),
      });
      if (!result.ok) {
        setProblem(result.message);
        setState("unsent");
        return;
      }
      // What was changed meanwhile waits on.
      for (const [key, entry] of entries) if (waiting.current.get(key) === entry) waiting.current.delete(key);
      for (const [id, isAbsent] of absences)
        if (waitingAbsent.current.get(id) === isAbsent) waitingAbsent.current.delete(id);
      setProblem(null);
      setState(waiting.current.size > 0 ? "saving" : "saved");
    } catch {
      setProblem("No connection. What you typed stays here and is sent again by itself.");
      setState("unsent");
    } finally {
      sending.current = false;
      if (waiting.current.size > 0 || waitingAbsent.current.size > 0)
        timer.current = setTimeout(() => void send(), REST_MILLISECONDS * 5);
    }
  }, [grid.workId]);

  const soon = useCallback(() => {
    clearTimeout(timer.current);
    timer.current = setTimeout(() => void send(), REST_MILLISECONDS);
  }, [send]);
  useEffect(() => {
    const leave = (event: BeforeUnloadEvent) => {
      if (waiting.current.size === 0) return;
      void send();
      event.preventDefault();
    };
    window.addEventListener("beforeunload", leave);
    return () => window.removeEventListener("beforeunload", leave);
  }, [send]);

  const put = (row: PaperRow, place: number, typed: string) => {
    // Letters are keys of their own here.
    const text = typed.replace(/[af]/gi, "");
    if (text === "" && typed !== "") return;
    const most = pointsOf(grid, row, place);
    const read = readPoints(text, most);
    const key = cellKey(row.studentId, place);
    setCells((before) => ({ ...before, [key]: { text, problem: read.problem } }));
    if (read.problem !== null) return;
    waiting.current.set(key, { studentId: row.studentId, place, points: read.points });
    setState("unsent");
    soon();
  };
  return {
    cells,
    absent,
    state,
    problem,
    type: put,
    fill: (row) => {
      row.points.forEach((_, place) => {
        if ((cells[cellKey(row.studentId, place)]?.text ?? "") === "")
          put(row, place, String(pointsOf(grid, row, place)));
      });
    },
    setAbsent: (row, isAbsent) => {
      setAbsentSet((before) => {
        const next = new Set(before);
        if (isAbsent) next.add(row.studentId);
        else next.delete(row.studentId);
        return next;
      });
      waitingAbsent.current.set(row.studentId, isAbsent);
      soon();
    },
  };
}

/** The most points of an item in a student's form. */
export const pointsOf = ({ forms }: PaperGridView, { form }: PaperRow, place: number): number =>
  forms.find((one) => one.form === form)?.items[place]?.points ?? 0;

function readPoints(text: string, most: number): { readonly points: number | null; readonly problem: string | null } {
  const typed = text.trim().replace(",", ".").replace("½", ".5");
  if (typed === "") return { points: null, problem: null };
  const points = Number(typed);
  if (!Number.isFinite(points) || points < 0 || points > most || !Number.isInteger(points * 2))
    return { points: null, problem: `0 to ${most}, halves too` };
  return { points, problem: null };
}

const cellsOf = ({ rows }: PaperGridView): Record<string, Cell> =>
  Object.fromEntries(
    rows.flatMap(({ studentId, points }) =>
      points.map((own, place) => [cellKey(studentId, place), { text: own === null ? "" : String(own), problem: null }]),
    ),
  );
