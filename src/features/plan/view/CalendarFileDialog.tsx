"use client";
import { useState } from "react";
import { Button } from "@/ui/primitives/Button";
import { Dialog } from "@/ui/primitives/Dialog";
import { Problem } from "@/ui/primitives/Field";
import type { CalendarFile } from "../calendarTypes";

type Range = CalendarFile["ranges"][number];

/** What a calendar file holds; what is ticked becomes days off. */
export function CalendarFileDialog({
  file,
  busy,
  problem,
  take,
  close,
}: {
  readonly file: CalendarFile;
  readonly busy: boolean;
  readonly problem: string | null;
  readonly take: (ranges: readonly { from: string; to: string; name: string }[]) => void;
  readonly close: () => void;
}) {
  const isNew = ({ schoolDays, already }: Range) => schoolDays > already;
  const [ticked, setTicked] = useState<ReadonlySet<number>>(
    () => new Set(file.ranges.flatMap((range, n) => (isNew(range) ? [n] : []))),
  );
  const chosen = file.ranges.filter((_, n) => ticked.has(n));
  const toggle = (n: number) => {
    const next = new Set(ticked);
    if (!next.delete(n)) next.add(n);
    setTicked(next);
  };
  return (
    <Dialog open onOpenChange={(open) => (open ? null : close())} title="What the file holds" wide>
      <div className="text-[15px]">
        {file.ranges.length === 0 ? <p>No whole days. Only events that last whole days can be days off.</p> : null}
        <ul>
          {file.ranges.map((range, n) => (
            // Events have no name of their own that is told to anybody; the file's order never changes here.
            <li key={n} className="border-hair border-t py-1.5">
              <label className="flex items-baseline gap-3">
                <input
                  type="checkbox"
                  className="accent-ink"
                  checked={ticked.has(n)}
                  disabled={!isNew(range)}
                  onChange={() => toggle(n)}
                />
                <span className="w-64 shrink-0 font-semibold">{range.name === "" ? "without a name" : range.name}</span>
                <span className="flex-1">{range.days}</span>
                <span className="text-mute">{daysWords(range)}</span>
              </label>
            </li>
          ))}
        </ul>
        {file.leftOut.length > 0 ? (
          <details className="mt-3">
            <summary className="text-mute cursor-pointer">{file.leftOut.length} left out</summary>
            <ul className="mt-1">
              {file.leftOut.map(({ name, why }, n) => (
                <li key={n}>
                  {name === "" ? "without a name" : name}: {why}
                </li>
              ))}
            </ul>
          </details>
        ) : null}
        <Problem text={problem} />
        <div className="mt-4 flex gap-2">
          <Button
            look="main"
            disabled={busy || chosen.length === 0}
            onClick={() =>
              take(chosen.map(({ from, to, name }) => ({ from, to, name: name === "" ? "Day off" : name })))
            }
          >
            Make {String(chosen.length)} of them days off
          </Button>
          <Button onClick={close}>Cancel</Button>
        </div>
      </div>
    </Dialog>
  );
}

function daysWords({ schoolDays, already }: Range): string {
  if (schoolDays === 0) return "a weekend";
  if (already === schoolDays) return "off already";
  return `${schoolDays} school ${schoolDays === 1 ? "day" : "days"}${already > 0 ? `, ${already} off already` : ""}`;
}
