"use client";
import { useRouter } from "next/navigation";
import { parseAsString, useQueryState } from "nuqs";
import { useState } from "react";
import { v7 } from "uuid";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { PrintButton } from "@/ui/layout/PrintButton";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { changeSharedPlanAction, makePlanAction, takeOverChangesAction } from "../actions";
import type { SharedPlanView } from "../sharedTypes";
import type { ChangeSlot } from "./changeSlot";
import { LaterChanges } from "./LaterChanges";
import { PlanHistory } from "./PlanHistory";
import { PlanSharing } from "./PlanSharing";
import { PutIn } from "./PutIn";
import { SlotList } from "./SlotList";
import { SlotSide } from "./SlotSide";

/** A plan of a person or a school: its slots, counted in lessons of a full week, who may what with it, and who changed what. */
export function SharedPlanPage({ view, base }: { readonly view: SharedPlanView; readonly base: string }) {
  const run = useRun(undoAction);
  const router = useRouter();
  const [slotId, setSlotId] = useQueryState("slot", parseAsString);
  const [isPuttingIn, setPuttingIn] = useState(false);
  const planId = view.id;
  const mayChange = view.level !== "use";
  const chosen = view.rows.find(({ id }) => id === slotId);
  const send = (change: object, said: string) => run(() => changeSharedPlanAction({ planId, ...change }), said);
  const change: ChangeSlot = (slot, wanted, said) => send({ slotId: slot.id, version: slot.version, ...wanted }, said);
  const copy = () => {
    const name = `${view.name}, my copy`.slice(0, 80);
    const { subjectId, grade } = view;
    run(
      () => makePlanAction({ id: v7(), name, planId, subjectId, grade }),
      `“${name}” is yours.`,
      (made) => router.push(`${base}/plan/plans/${made.planId}`),
    );
  };
  return (
    <div className="px-5 py-4">
      <PageHead title={view.name} sub={subOf(view)}>
        {mayChange ? <Button onClick={() => setPuttingIn(true)}>Put something in</Button> : null}
        <Button onClick={copy} disabled={run.busy}>
          Make a copy of my own
        </Button>
        <ButtonLink href={`${base}/plan/plans`}>All plans</ButtonLink>
        <PrintButton />
      </PageHead>
      <LaterChanges
        original={view.original}
        mayChange={mayChange}
        busy={run.busy}
        settle={(choice, said) => run(() => takeOverChangesAction({ planId, ...choice }), said)}
      />
      <div className="grid gap-x-10 lg:grid-cols-[minmax(0,1fr)_20rem]">
        <div>
          {view.rows.length === 0 ? (
            <p className="text-mute py-6 text-[15px]">Nothing is in it yet. Put a unit, a skill or a line in.</p>
          ) : (
            <SlotList
              slots={view.rows}
              chosen={chosen}
              mayChange={mayChange}
              isDated={false}
              busy={run.busy}
              choose={(id) => void setSlotId(id)}
              change={change}
            />
          )}
        </div>
        <aside className="no-print text-[15px] max-lg:mt-6">
          {chosen ? (
            <div className="mb-6">
              <SlotSide slot={chosen} base={base} isDated={false} change={null} />
            </div>
          ) : null}
          {view.level === "look-after" ? <PlanSharing view={view} base={base} /> : null}
          <PlanHistory view={view} />
        </aside>
      </div>
      <PutIn
        choice={view.choice}
        slots={view.rows}
        open={isPuttingIn}
        close={() => setPuttingIn(false)}
        put={(wanted, said) => send({ what: "insert", ...wanted }, said)}
      />
    </div>
  );
}

function subOf({ whose, ownerLeft, subject, grade, slots, weeks, copies }: SharedPlanView): string {
  const of = whose === "you" ? "Your own" : ownerLeft ? `Of ${whose}, who has left the school` : `Of ${whose}`;
  const used = copies === 0 ? "" : ` ${copies} ${copies === 1 ? "class has" : "classes have"} a copy.`;
  return `${of}. ${subject}, grade ${grade}: ${slots} slots, ${weeks} weeks of five lessons.${used}`;
}
