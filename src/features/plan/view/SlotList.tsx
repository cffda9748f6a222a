"use client";
import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  DragOverlay,
  PointerSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { useState } from "react";
import type { PlanSlotView } from "../types";
import type { ChangeSlot } from "./changeSlot";
import { SlotRow } from "./SlotRow";

/** Drags begin after a few pixels, so that a click stays a click. */
const DRAG_FROM_PIXELS = 6;

/** The slots of a plan in their order, moved by hand or by keys. */
export function SlotList({
  slots,
  chosen,
  mayChange,
  isDated,
  busy,
  choose,
  change,
}: {
  readonly slots: readonly PlanSlotView[];
  readonly chosen: PlanSlotView | undefined;
  readonly mayChange: boolean;
  /** Of a class, with dates and how much of it is there. */
  readonly isDated: boolean;
  readonly busy: boolean;
  readonly choose: (slotId: string) => void;
  readonly change: ChangeSlot;
}) {
  const [dragged, setDragged] = useState<string | null>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: DRAG_FROM_PIXELS } }));
  const drop = ({ active, over }: DragEndEvent) => {
    setDragged(null);
    const from = slots.findIndex(({ id }) => id === active.id);
    const slot = slots[from];
    if (!slot || over === null) return;
    const gap = Number(over.id);
    const place = gap > from ? gap - 1 : gap;
    if (place !== from) change(slot, { what: "move", place }, `“${slot.title}” moved.`);
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragStart={({ active }) => setDragged(String(active.id))}
      onDragCancel={() => setDragged(null)}
      onDragEnd={drop}
    >
      <ol aria-label="Slots" aria-busy={busy} className="text-[15px]">
        {slots.map((slot, place) => (
          <SlotRow
            key={slot.id}
            slot={slot}
            place={place}
            last={slots.length - 1}
            mayChange={mayChange}
            isDated={isDated}
            isChosen={slot === chosen}
            isDragging={dragged !== null}
            choose={() => choose(slot.id)}
            change={change}
          />
        ))}
      </ol>
      <DragOverlay dropAnimation={null} style={{ width: "auto", height: "auto" }}>
        {dragged ? (
          <p className="bg-paper border-ink border-[1.5px] px-2 py-0.5 text-[15px] font-semibold whitespace-nowrap shadow-lg">
            {slots.find(({ id }) => id === dragged)?.title}
          </p>
        ) : null}
      </DragOverlay>
    </DndContext>
  );
}
