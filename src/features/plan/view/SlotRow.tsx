import { useDraggable, useDroppable } from "@dnd-kit/core";
import { GripVertical } from "lucide-react";
import type { KeyboardEvent } from "react";
import type { PlanSlotView } from "../types";
import type { ChangeSlot } from "./changeSlot";
import { ShareBar } from "./ShareBar";
import { SlotMenu } from "./SlotMenu";
import { spanWords } from "./spanWords";

/** One slot of a plan. Its handle is dragged, or moved by the up and down keys. */
export function SlotRow({
  slot,
  place,
  last,
  mayChange,
  isDated,
  isChosen,
  isDragging,
  choose,
  change,
}: {
  readonly slot: PlanSlotView;
  readonly place: number;
  readonly last: number;
  readonly mayChange: boolean;
  readonly isDated: boolean;
  readonly isChosen: boolean;
  readonly isDragging: boolean;
  readonly choose: () => void;
  readonly change: ChangeSlot;
}) {
  const { setNodeRef, listeners } = useDraggable({ id: slot.id, disabled: !mayChange });
  const move = (to: number) => {
    if (to < 0 || to > last) return;
    change(slot, { what: "move", place: to }, `“${slot.title}” moved to place ${to + 1}.`);
  };
  const byKey = (event: KeyboardEvent) => {
    const step = event.key === "ArrowUp" ? -1 : event.key === "ArrowDown" ? 1 : 0;
    if (step === 0) return;
    event.preventDefault();
    move(place + step);
  };
  const now = slot.place === "now";
  return (
    <li className={`border-hair relative border-t ${now ? "bg-bank" : ""} ${slot.skipped ? "text-mute" : ""}`}>
      {isDragging ? <Gap id={String(place)} /> : null}
      {isDragging && place === last ? <Gap id={String(last + 1)} atEnd /> : null}
      <div className="grid grid-cols-[2.4rem_minmax(0,1fr)_9rem_8.5rem_2rem] items-start gap-x-2 py-2">
        <span className="text-mute flex items-center gap-0.5">
          {mayChange ? (
            <button
              ref={setNodeRef}
              type="button"
              {...listeners}
              onKeyDown={byKey}
              aria-label={`${slot.title}: place ${place + 1} of ${last + 1}, moved by the up and down keys`}
              data-slot={slot.title}
              className="no-print cursor-grab touch-none py-0.5"
            >
              <GripVertical size={15} aria-hidden />
            </button>
          ) : null}
          {place + 1}
        </span>
        <span className="min-w-0">
          <button
            type="button"
            onClick={choose}
            aria-pressed={isChosen}
            className={`text-left font-semibold underline underline-offset-4 ${isChosen ? "decoration-ink" : "decoration-hair hover:decoration-ink"} ${slot.skipped ? "line-through" : ""}`}
          >
            {slot.title}
          </button>
          <span className="text-mute text-[14px]">
            {slot.kind === "work"
              ? slot.test
                ? " · a test"
                : " · work"
              : slot.counted
                ? ""
                : " · extra, does not count"}
            {slot.whereAt === "both" ? "" : slot.whereAt === "school" ? " · at school only" : " · at home only"}
          </span>
          {slot.test ? (
            <span className="text-mute block text-[14px]">
              {slot.test.items} items on {slot.test.names.join(", ").toLowerCase()}
            </span>
          ) : null}
          {slot.isGone ? (
            <span className="text-clay block text-[14px]">
              The library holds nothing of it any more: put something else in its place.
            </span>
          ) : null}
          {!isDated && slot.skills.length > 0 && (slot.skills.length > 1 || slot.title !== slot.skills[0]?.name) ? (
            <span className="text-mute block text-[14px]">{slot.skills.map(({ name }) => name).join(", ")}</span>
          ) : null}
          {isDated && slot.skills.length > 0 ? (
            <span className="mt-1 block">
              {slot.skills.map((skill) => (
                <ShareBar key={skill.id} skill={skill} named={slot.skills.length > 1 || slot.title !== skill.name} />
              ))}
            </span>
          ) : null}
        </span>
        {isDated ? <Dates slot={slot} /> : <span />}
        <Lessons slot={slot} mayChange={mayChange} change={change} />
        {mayChange ? (
          <SlotMenu slot={slot} place={place} last={last} isDated={isDated} move={move} change={change} />
        ) : null}
      </div>
    </li>
  );
}

/** When a slot is taught in a class. */
function Dates({ slot }: { readonly slot: PlanSlotView }) {
  const now = slot.place === "now";
  return (
    <span className={now ? "font-semibold" : slot.place === "past" && !isReached(slot) ? "text-clay" : ""}>
      {slot.skipped ? "left out here" : slot.days ? spanWords(slot.days) : "no lesson left"}
      {now ? ", now" : ""}
      {slot.isBeyondTerms ? (
        <span className="text-mute block text-[14px]">from here on beyond the school's terms</span>
      ) : null}
      {slot.isLongerThanTerm && !slot.skipped ? (
        <span className="text-clay block text-[14px]">longer than any term: divide it</span>
      ) : null}
      {slot.ownDay !== null && !slot.skipped ? (
        <span className="text-mute block text-[14px]">waits for its day</span>
      ) : null}
    </span>
  );
}

const isReached = ({ skills }: PlanSlotView): boolean => skills.every(({ reached }) => reached);

function Lessons({
  slot,
  mayChange,
  change,
}: {
  readonly slot: PlanSlotView;
  readonly mayChange: boolean;
  readonly change: ChangeSlot;
}) {
  const words = slot.lessons === 1 ? "1 lesson" : `${slot.lessons} lessons`;
  const by = (step: number) => {
    const lessons = slot.lessons + step;
    change(
      slot,
      { what: "change", values: { lessons } },
      `“${slot.title}”: ${lessons === 1 ? "1 lesson" : `${lessons} lessons`}.`,
    );
  };
  if (!mayChange) return <span>{words}</span>;
  const button = "no-print border-hair hover:border-ink size-6 border leading-none disabled:opacity-40";
  return (
    <span className="flex items-center gap-1.5">
      <button
        type="button"
        className={button}
        disabled={slot.lessons <= 1}
        aria-label={`${slot.title}: one lesson less`}
        onClick={() => by(-1)}
      >
        −
      </button>
      <span className="min-w-16 text-center tabular-nums">{words}</span>
      <button type="button" className={button} aria-label={`${slot.title}: one lesson more`} onClick={() => by(1)}>
        +
      </button>
    </span>
  );
}

/** The line between two slots on which a dragged one is dropped. */
function Gap({ id, atEnd = false }: { readonly id: string; readonly atEnd?: boolean }) {
  const { setNodeRef, isOver } = useDroppable({ id });
  return (
    <span
      ref={setNodeRef}
      className={`absolute right-0 left-0 z-10 h-7 ${atEnd ? "-bottom-3.5" : "-top-3.5"} ${isOver ? "after:bg-water after:absolute after:inset-x-0 after:top-3 after:h-1" : ""}`}
    />
  );
}
