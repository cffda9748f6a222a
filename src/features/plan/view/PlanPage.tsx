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
import { parseAsString, useQueryState } from "nuqs";
import { useState } from "react";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { PrintButton } from "@/ui/layout/PrintButton";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { changePlanAction } from "../actions";
import type { PlanView } from "../types";
import { ChoosePlan } from "./ChoosePlan";
import { ComesNext } from "./ComesNext";
import type { ChangeSlot } from "./changeSlot";
import { Faults } from "./Faults";
import { PlanSettings, type Reach } from "./PlanSettings";
import { PutIn } from "./PutIn";
import { SlotRow } from "./SlotRow";
import { SlotSide } from "./SlotSide";

/** Drags begin after a few pixels, so that a click stays a click. */
const DRAG_FROM_PIXELS = 6;

/** The plan of a class: slots in order with their dates, moved by hand or by keys, and what belongs to each. */
export function PlanPage({ view, base }: { readonly view: PlanView; readonly base: string }) {
  const run = useRun(undoAction);
  const [slotId, setSlotId] = useQueryState("slot", parseAsString);
  const [reach, setReach] = useState<Reach>({ behind: "move-along", sisterIds: [] });
  const [dialog, setDialog] = useState<"choose" | "put-in" | null>(null);
  const [dragged, setDragged] = useState<string | null>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: DRAG_FROM_PIXELS } }));
  const classIds = [view.classId, ...reach.sisterIds];
  const send = (change: object, said: string) =>
    run(
      () => changePlanAction({ classIds, behind: reach.behind, ...change }),
      ({ without }) => (without.length === 0 ? said : `${said} ${without.join(" and ")}: no such slot.`),
    );
  const change: ChangeSlot = (slot, wanted, said) => send({ slotId: slot.id, version: slot.version, ...wanted }, said);
  const drop = ({ active, over }: DragEndEvent) => {
    setDragged(null);
    const from = view.slots.findIndex(({ id }) => id === active.id);
    const slot = view.slots[from];
    if (!slot || over === null) return;
    const gap = Number(over.id);
    const place = gap > from ? gap - 1 : gap;
    if (place !== from) change(slot, { what: "move", place }, `“${slot.title}” moved.`);
  };
  const chosen = view.slots.find(({ id }) => id === slotId) ?? view.slots.find(({ place }) => place === "now");
  return (
    <div className="px-5 py-4">
      <PageHead title={`Plan of ${view.className}`} sub={subOf(view)}>
        {view.mayChange ? (
          <>
            <Button look={view.slots.length === 0 ? "main" : "plain"} onClick={() => setDialog("choose")}>
              Choose a year
            </Button>
            <Button onClick={() => setDialog("put-in")}>Put something in</Button>
          </>
        ) : null}
        <ButtonLink href={`${base}/plan/students`}>Students in it</ButtonLink>
        <ButtonLink href={`${base}/plan/calendar`}>School calendar</ButtonLink>
        <PrintButton />
      </PageHead>
      {view.mayChange ? <PlanSettings view={view} reach={reach} set={setReach} /> : null}
      <ComesNext view={view} base={base} />
      <Faults
        view={view}
        repair={(fault) =>
          send(
            { what: "move", slotId: fault.slotId, version: fault.version, place: fault.repairPlace },
            "Moved behind what it builds on.",
          )
        }
      />
      {view.slots.length === 0 ? (
        <p className="text-mute py-8">This class has no plan yet. Choose a year to begin with, or put something in.</p>
      ) : (
        <div className="grid gap-x-8 lg:grid-cols-[minmax(0,1fr)_18rem]">
          <DndContext
            sensors={sensors}
            collisionDetection={closestCenter}
            onDragStart={({ active }) => setDragged(String(active.id))}
            onDragCancel={() => setDragged(null)}
            onDragEnd={drop}
          >
            <ol aria-label="Slots" aria-busy={run.busy} className="text-[15px]">
              {view.slots.map((slot, place) => (
                <SlotRow
                  key={slot.id}
                  slot={slot}
                  place={place}
                  last={view.slots.length - 1}
                  mayChange={view.mayChange}
                  isChosen={slot === chosen}
                  isDragging={dragged !== null}
                  choose={() => void setSlotId(slot.id)}
                  change={change}
                />
              ))}
            </ol>
            <DragOverlay dropAnimation={null} style={{ width: "auto", height: "auto" }}>
              {dragged ? (
                <p className="bg-paper border-ink border-[1.5px] px-2 py-0.5 text-[15px] font-semibold whitespace-nowrap shadow-lg">
                  {view.slots.find(({ id }) => id === dragged)?.title}
                </p>
              ) : null}
            </DragOverlay>
          </DndContext>
          {chosen ? <SlotSide key={chosen.id} slot={chosen} base={base} /> : null}
        </div>
      )}
      <ChoosePlan
        key={`choose ${view.classId}`}
        view={view}
        sisterIds={reach.sisterIds}
        open={dialog === "choose"}
        close={() => setDialog(null)}
      />
      <PutIn
        key={`put in ${view.classId}`}
        view={view}
        open={dialog === "put-in"}
        close={() => setDialog(null)}
        put={(wanted, said) => send({ what: "insert", ...wanted }, said)}
      />
    </div>
  );
}

function subOf({ position, done, slots, runs }: PlanView): string {
  if (slots.length === 0) return "No skills are planned.";
  const share = done ? ` ${done.done} of ${done.of} counted skills are there in half the class.` : "";
  return `${position.text}.${share}${runs ? " It runs by itself." : ""}`;
}
