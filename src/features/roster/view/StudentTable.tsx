"use client";
import { useVirtualizer } from "@tanstack/react-virtual";
import { ArrowDown, ArrowUp } from "lucide-react";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { type KeyboardEvent, useMemo, useRef, useState } from "react";
import { usePrinting } from "@/client/usePrinting";
import type { RosterStudent } from "../types";

export type SortBy = "name" | "studentNumber" | "grade" | "className" | "signIn";
const COLUMNS: readonly (readonly [SortBy, string, string])[] = [
  ["name", "Name", ""],
  ["studentNumber", "Number", "w-28 print:w-20"],
  ["grade", "Grade", "w-20 print:w-14"],
  ["className", "Class", "w-64 print:w-48"],
  ["signIn", "Signing in", "w-64 print:w-36"],
];
const ROW_PIXELS = 34;
const SIGN_IN: Readonly<Record<RosterStudent["signIn"], string>> = {
  none: "no PIN yet",
  locked: "held at the door: wrong PINs",
  never: "can sign in, has not yet",
  used: "",
};
const ORDER = ["locked", "none", "never", "used"];

/**
 * Students as a table of any length: only what is in view is drawn, on paper all of it. Arrow keys or j and k move, x selects, Enter opens; a click
 * with Shift selects all between.
 */
export function StudentTable({
  students,
  selected,
  select,
  base,
}: {
  readonly students: readonly RosterStudent[];
  readonly selected: ReadonlySet<string>;
  readonly select: (ids: readonly string[], on: boolean) => void;
  readonly base: string;
}) {
  const router = useRouter();
  const [sort, setSort] = useState<{ by: SortBy; down: boolean }>({ by: "name", down: false });
  const [at, setAt] = useState(0);
  const last = useRef(0);
  const box = useRef<HTMLDivElement>(null);
  const rows = useMemo(() => sorted(students, sort), [students, sort]);
  const printing = usePrinting();
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW_PIXELS,
    overscan: 12,
  });
  const choose = (place: number, withShift: boolean) => {
    const student = rows[place];
    if (!student) return;
    const on = !selected.has(student.id);
    const [low, high] = withShift ? [Math.min(last.current, place), Math.max(last.current, place)] : [place, place];
    select(
      rows.slice(low, high + 1).map(({ id }) => id),
      on,
    );
    last.current = place;
  };
  const move = (to: number) => {
    const place = Math.max(0, Math.min(rows.length - 1, to));
    setAt(place);
    virtual.scrollToIndex(place);
  };
  const onKey = (event: KeyboardEvent) => {
    const page = Math.floor((box.current?.clientHeight ?? 400) / ROW_PIXELS);
    const keys: Record<string, () => void> = {
      ArrowDown: () => move(at + 1),
      j: () => move(at + 1),
      ArrowUp: () => move(at - 1),
      k: () => move(at - 1),
      PageDown: () => move(at + page),
      PageUp: () => move(at - page),
      Home: () => move(0),
      End: () => move(rows.length - 1),
      x: () => choose(at, event.shiftKey),
      " ": () => choose(at, event.shiftKey),
      Enter: () => rows[at] && router.push(`${base}/roster/students/${rows[at].id}`),
    };
    const act = keys[event.key];
    if (!act || event.metaKey || event.ctrlKey || event.altKey) return;
    event.preventDefault();
    event.stopPropagation();
    act();
  };
  const all = rows.length > 0 && rows.every(({ id }) => selected.has(id));
  const inView = virtual.getVirtualItems();
  const shown = printing ? rows.map((_, index) => ({ index })) : inView;
  const above = printing ? 0 : (inView[0]?.start ?? 0);
  const below = printing ? 0 : virtual.getTotalSize() - (inView.at(-1)?.end ?? 0);
  return (
    <section
      ref={box}
      aria-label="Students: arrow keys move, x selects, Enter opens"
      className="group max-h-[62vh] max-w-6xl overflow-y-auto print:max-h-none print:overflow-visible"
      // biome-ignore lint/a11y/noNoninteractiveTabindex: the rows are moved through by keys from here
      tabIndex={0}
      onKeyDown={onKey}
    >
      <table className="w-full table-fixed text-[15px] print:text-[13px]" aria-rowcount={rows.length + 1}>
        <thead className="bg-paper text-mute sticky top-0 text-left print:static text-[14px]">
          <tr>
            <th className="no-print w-9 py-1">
              <input
                type="checkbox"
                className="accent-clay"
                checked={all}
                aria-label={`All ${rows.length} shown`}
                onChange={() =>
                  select(
                    rows.map(({ id }) => id),
                    !all,
                  )
                }
              />
            </th>
            {COLUMNS.map(([by, word, width]) => (
              <th
                key={by}
                className={`font-normal ${width}`}
                aria-sort={sort.by === by ? (sort.down ? "descending" : "ascending") : "none"}
              >
                <button
                  type="button"
                  className="hover:text-ink flex items-center gap-1"
                  onClick={() => setSort({ by, down: sort.by === by ? !sort.down : false })}
                >
                  {word}
                  {sort.by === by ? (
                    sort.down ? (
                      <ArrowDown size={13} aria-hidden />
                    ) : (
                      <ArrowUp size={13} aria-hidden />
                    )
                  ) : null}
                </button>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {above > 0 ? <tr aria-hidden style={{ height: above }} /> : null}
          {shown.map(({ index }) => {
            const student = rows[index];
            if (!student) return null;
            const trouble = student.signIn === "none" || student.signIn === "locked";
            return (
              <tr
                key={student.id}
                aria-rowindex={index + 2}
                data-student={student.id}
                className={`border-hair border-t ${selected.has(student.id) ? "bg-bank" : ""} ${index === at ? "group-focus:outline-water -outline-offset-1 group-focus:outline" : ""}`}
                style={{ height: printing ? undefined : ROW_PIXELS }}
              >
                <td className="no-print pl-0.5">
                  <input
                    type="checkbox"
                    tabIndex={-1}
                    className="accent-clay"
                    checked={selected.has(student.id)}
                    aria-label={`Select ${student.name}`}
                    onChange={(event) => {
                      setAt(index);
                      choose(index, (event.nativeEvent as MouseEvent).shiftKey);
                    }}
                  />
                </td>
                <td className="truncate">
                  <Link
                    tabIndex={-1}
                    prefetch={false}
                    href={`${base}/roster/students/${student.id}`}
                    className="decoration-hair underline-offset-3 hover:underline"
                  >
                    <span data-name>{student.name}</span>
                  </Link>
                  {student.hasSupports ? <span className="text-mute text-[13px]">, supports</span> : null}
                </td>
                <td>{student.studentNumber}</td>
                <td>{student.grade ?? ""}</td>
                <td className={student.className === "" ? "text-clay font-semibold" : "truncate"}>
                  {student.className || "no class"}
                </td>
                <td className={trouble ? "text-clay truncate font-semibold" : "text-mute truncate"}>
                  {student.signIn === "used" ? `last ${student.lastSignIn}` : SIGN_IN[student.signIn]}
                </td>
              </tr>
            );
          })}
          {below > 0 ? <tr aria-hidden style={{ height: below }} /> : null}
        </tbody>
      </table>
    </section>
  );
}

function sorted(students: readonly RosterStudent[], { by, down }: { by: SortBy; down: boolean }): RosterStudent[] {
  const compare = (x: RosterStudent, y: RosterStudent): number => {
    if (by === "grade") return (x.grade ?? -1) - (y.grade ?? -1);
    if (by === "signIn") return ORDER.indexOf(x.signIn) - ORDER.indexOf(y.signIn);
    return x[by].localeCompare(y[by], undefined, { numeric: true });
  };
  const rows = [...students].sort((x, y) => compare(x, y) || x.name.localeCompare(y.name));
  return down ? rows.reverse() : rows;
}
