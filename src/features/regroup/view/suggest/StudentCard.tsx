"use client";
import { useDraggable } from "@dnd-kit/core";
import { DropdownMenu } from "radix-ui";
import { SheetLink } from "@/ui/layout/SheetLink";
import { Gauge, gaugeWords } from "@/ui/primitives/Gauge";
import { evidenceWords } from "@/words/staff/groupWords";
import { cellOf } from "../../draftWorth";
import type { SuggestionView } from "../../suggestTypes";

/** Where a student can be moved, and what that costs in points. */
export interface MoveTarget {
  readonly key: string | null;
  readonly name: string;
  readonly cost: number;
}

/** What a move costs, in words. */
export function costWords(cost: number): string {
  const points = Math.round(Math.abs(cost));
  if (Math.abs(cost) < 0.05) return "costs nothing";
  const amount = points === 0 ? "less than 1" : String(points);
  return cost > 0 ? `costs ${amount} of 100` : `gains ${amount} of 100`;
}

/** A student in a group: dragged, or moved by the menu, which says what each place costs. */
export function StudentCard(props: {
  readonly view: SuggestionView;
  readonly studentId: string;
  readonly skillId: string | null;
  readonly explains: boolean;
  readonly clash: string | null;
  readonly targets: () => readonly MoveTarget[];
  readonly move: (toKey: string | null) => void;
}) {
  const { view, studentId, skillId, explains, clash, targets, move } = props;
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: studentId });
  const student = view.students.find(({ id }) => id === studentId);
  const cell = cellOf(view, studentId, skillId);
  if (!student) return null;
  const mistake = cell?.misconceptionId ? (view.misconceptions[cell.misconceptionId] ?? null) : null;
  return (
    <li
      ref={setNodeRef}
      {...listeners}
      data-student={student.name}
      className={`bg-field w-[10.6rem] cursor-grab touch-none border-[1.5px] px-2.5 py-1.5 text-[14px] ${explains ? "border-water" : "border-hair"} ${isDragging ? "opacity-40" : ""}`}
    >
      <span className="flex items-center justify-between gap-2">
        <SheetLink id={studentId} className="truncate font-semibold">
          {student.name}
        </SheetLink>
        {cell ? (
          <span title={gaugeWords(cell)}>
            <Gauge {...cell} tooLittle={cell.tooLittle && cell.basis === "grade"} className="h-4 w-6" />
          </span>
        ) : (
          <span className="text-mute text-[13px]" title="Mean chance of mastery of what is taught now">
            {Math.round(student.place * 100)} %
          </span>
        )}
      </span>
      <span className="flex items-baseline justify-between gap-2">
        <span className="text-mute text-[13px] leading-tight">
          {explains ? "explains" : cell ? evidenceWords({ ...cell, mistake }) : ""}
        </span>
        <DropdownMenu.Root>
          <DropdownMenu.Trigger
            className="decoration-hair shrink-0 text-[13px] underline underline-offset-2"
            aria-label={`Move ${student.name}`}
          >
            move
          </DropdownMenu.Trigger>
          <DropdownMenu.Portal>
            <DropdownMenu.Content
              align="end"
              className="bg-paper border-ink z-50 min-w-60 border-[1.5px] p-1.5 text-[15px] shadow-lg"
            >
              <Targets targets={targets} move={move} />
            </DropdownMenu.Content>
          </DropdownMenu.Portal>
        </DropdownMenu.Root>
      </span>
      {clash ? <span className="text-clay block text-[13px] leading-tight">then in “{clash}” too</span> : null}
    </li>
  );
}

/** The places to go, worked out only when the menu is open. */
function Targets({
  targets,
  move,
}: {
  readonly targets: () => readonly MoveTarget[];
  readonly move: (toKey: string | null) => void;
}) {
  return targets().map(({ key, name, cost }) => (
    <DropdownMenu.Item
      key={key ?? "out"}
      className="data-highlighted:bg-bank flex cursor-pointer justify-between gap-5 px-3 py-1.5 outline-none"
      onSelect={() => move(key)}
    >
      <span>{key === null ? "Out of the groups" : `To ${name}`}</span>
      <span className={cost > 0.5 ? "text-clay" : "text-mute"}>{costWords(cost)}</span>
    </DropdownMenu.Item>
  ));
}
