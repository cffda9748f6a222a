"use client";
import { parseAsString, useQueryState } from "nuqs";
import { useState } from "react";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { PrintButton } from "@/ui/layout/PrintButton";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { changePlanAction, takeOverChangesAction } from "../actions";
import type { PlanView } from "../types";
import { ChoosePlan } from "./ChoosePlan";
import { ComesNext } from "./ComesNext";
import type { ChangeSlot } from "./changeSlot";
import { Faults } from "./Faults";
import { LaterChanges } from "./LaterChanges";
import { PlanSettings, type Reach } from "./PlanSettings";
import { PutIn } from "./PutIn";
import { SlotList } from "./SlotList";
import { SlotSide } from "./SlotSide";
import { YearStrip } from "./YearStrip";

/** The plan of a class: slots in order with their dates, moved by hand or by keys, and what belongs to each. */
export function PlanPage({ view, base }: { readonly view: PlanView; readonly base: string }) {
  const run = useRun(undoAction);
  const [slotId, setSlotId] = useQueryState("slot", parseAsString);
  const [reach, setReach] = useState<Reach>({ behind: "move-along", sisterIds: [] });
  const [dialog, setDialog] = useState<"choose" | "put-in" | null>(null);
  const classIds = [view.classId, ...reach.sisterIds];
  const send = (change: object, said: string) =>
    run(
      () => changePlanAction({ classIds, behind: reach.behind, ...change }),
      ({ without }) => (without.length === 0 ? said : `${said} ${without.join(" and ")}: no such slot.`),
    );
  const change: ChangeSlot = (slot, wanted, said) => send({ slotId: slot.id, version: slot.version, ...wanted }, said);
  const chosen = view.slots.find(({ id }) => id === slotId) ?? view.slots.find(({ place }) => place === "now");
  return (
    <div className="px-5 py-4">
      <PageHead title={`Plan of ${view.className}`} sub={subOf(view)}>
        {view.mayChange ? (
          <>
            <Button look={view.slots.length === 0 ? "main" : "plain"} onClick={() => setDialog("choose")}>
              Choose a plan
            </Button>
            <Button onClick={() => setDialog("put-in")}>Put something in</Button>
          </>
        ) : null}
        <ButtonLink href={`${base}/plan/plans`}>All plans</ButtonLink>
        <ButtonLink href={`${base}/plan/students`}>Students in it</ButtonLink>
        <ButtonLink href={`${base}/plan/calendar`}>School calendar</ButtonLink>
        <PrintButton />
      </PageHead>
      {view.mayChange ? <PlanSettings view={view} reach={reach} set={setReach} /> : null}
      <LaterChanges
        original={view.original}
        mayChange={view.mayChange}
        busy={run.busy}
        settle={(choice, said) => run(() => takeOverChangesAction({ classId: view.classId, ...choice }), said)}
      />
      <YearStrip
        view={view}
        chosen={chosen}
        choose={(id) => void setSlotId(id)}
        change={view.mayChange ? change : null}
      />
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
        <p className="text-mute py-8">This class has no plan yet. Choose a plan to begin with, or put something in.</p>
      ) : (
        <div className="grid gap-x-8 lg:grid-cols-[minmax(0,1fr)_18rem]">
          <SlotList
            slots={view.slots}
            chosen={chosen}
            mayChange={view.mayChange}
            isDated
            busy={run.busy}
            choose={(id) => void setSlotId(id)}
            change={change}
          />
          {chosen ? (
            <SlotSide
              key={`${chosen.id} ${chosen.version}`}
              slot={chosen}
              base={base}
              isDated
              change={view.mayChange ? change : null}
            />
          ) : null}
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
        choice={view.putIn}
        slots={view.slots}
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
