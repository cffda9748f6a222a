"use client";
import { usePullList } from "@/client/pull-list/pullList";
import { SheetLink } from "@/ui/layout/SheetLink";
import { whyWords } from "@/words/staff/whyWords";
import type { GainStudent } from "../../gainTypes";

const within = (share: number) => `${Math.min(100, Math.max(0, share * 100))}%`;

/** One student's way from the first test to the second, with how far luck alone could carry it. */
export function GainRow({ student }: { readonly student: GainStudent }) {
  const pull = usePullList();
  const { before, after, low, high, difference } = student;
  const words = whyWords("gain", student.why);
  const [from, to] = [Math.min(before, after), Math.max(before, after)];
  return (
    <li
      className="border-hair grid grid-cols-[10rem_minmax(0,1fr)_5rem] items-center gap-3 border-t py-[3px] text-[14px]"
      title={`${student.name}: from ${Math.round(before * 100)} % to ${Math.round(after * 100)} %; ${words}`}
    >
      <span className="flex items-center gap-1.5 truncate">
        <input
          type="checkbox"
          className="accent-clay no-print size-3.5"
          checked={pull.has(student.id)}
          onChange={() => pull.toggle({ id: student.id, name: student.name, skillId: null })}
          aria-label={`${student.name} on the pull list`}
        />
        <SheetLink id={student.id} className="truncate">
          {student.name}
        </SheetLink>
      </span>
      <span className="relative h-4" aria-hidden>
        <i className="bg-hair absolute inset-x-0 top-1/2 h-px" />
        <i
          className="bg-level-0 absolute top-1/2 h-2 -translate-y-1/2"
          style={{
            left: within(before + Math.min(low, high)),
            right: `calc(100% - ${within(before + Math.max(low, high))})`,
          }}
        />
        <i
          className={`absolute top-1/2 h-[3px] -translate-y-1/2 ${difference < 0 ? "bg-clay" : "bg-deep"}`}
          style={{ left: within(from), width: `${(to - from) * 100}%` }}
        />
        <i
          className="border-ink bg-paper absolute top-1/2 size-2 -translate-x-1/2 -translate-y-1/2 rounded-full border-[1.5px]"
          style={{ left: within(before) }}
        />
        <i
          className="bg-ink absolute top-1/2 size-2.5 -translate-x-1/2 -translate-y-1/2 rounded-full"
          style={{ left: within(after) }}
        />
      </span>
      <span className="text-right whitespace-nowrap tabular-nums">
        {difference > 0 ? "+" : difference < 0 ? "−" : ""}
        {Math.abs(Math.round(difference * 100))} points
        <span className="sr-only">; {words}</span>
      </span>
    </li>
  );
}
