"use client";
import { useState } from "react";
import { v7 } from "uuid";
import { MovingModel } from "@/client/models/MovingModel";
import { useRun } from "@/client/useRun";
import { VISIT_RESULTS } from "@/core/model/reteach";
import { undoAction } from "@/server/history/undoAction";
import { SheetLink } from "@/ui/layout/SheetLink";
import { Button } from "@/ui/primitives/Button";
import { Dialog } from "@/ui/primitives/Dialog";
import { MathText } from "@/ui/primitives/MathText";
import { VISIT_WORDS } from "@/words/staff/groupWords";
import { whyWords } from "@/words/staff/whyWords";
import { noteVisitAction } from "../../actions";
import type { WorthStudent } from "../../worthTypes";

const capital = (text: string) => text.slice(0, 1).toUpperCase() + text.slice(1);

/** One student: what to do now, why, and a tap for what came of it. */
export function WorthCard({ student, minutes }: { readonly student: WorthStudent; readonly minutes: number }) {
  const run = useRun(undoAction);
  const [place, setPlace] = useState(0);
  const [told, setTold] = useState(false);
  const [large, setLarge] = useState(false);
  const choice = student.choices[place % Math.max(1, student.choices.length)];
  const note = (result: (typeof VISIT_RESULTS)[number]) => {
    if (!choice) return;
    run(
      () => noteVisitAction({ id: v7(), studentId: student.id, skillId: choice.skillId, minutes, result }),
      `Noted of ${student.name}: ${VISIT_WORDS[result]}.`,
      () => {
        setPlace(0);
        setTold(false);
      },
    );
  };
  return (
    <li className="border-ink border-t-[1.5px] py-3" data-student={student.name}>
      <p className="flex items-baseline justify-between gap-3">
        <SheetLink id={student.id} className="text-[18px] font-semibold">
          {student.name}
        </SheetLink>
        {student.choices.length > 1 ? (
          <Button
            look="quiet"
            className="px-0!"
            onClick={() => {
              setPlace(place + 1);
              setTold(false);
            }}
          >
            Something else
          </Button>
        ) : null}
      </p>
      {choice ? (
        <>
          <p className="font-serif text-[18px] font-medium">
            {choice.name} <span className="text-mute font-sans text-[15px] font-normal">grade {choice.grade}</span>
          </p>
          <p className="text-mute text-[15px]">
            {capital(whyWords("worthDoing", choice.why))}.
            {choice.mistake ? ` Has ${choice.mistake.slice(0, 1).toLowerCase()}${choice.mistake.slice(1)} before.` : ""}
          </p>
          <p className="font-reading mt-1.5 text-[18px]">
            <MathText text={choice.task.task} />
          </p>
          {told ? (
            <p className="text-mute">
              <MathText text={choice.task.answer} />
            </p>
          ) : null}
          {choice.question ? (
            <p className="mt-1">
              Ask: <MathText text={choice.question} />
            </p>
          ) : null}
          <p className="mt-1 flex flex-wrap gap-x-4">
            <Button look="quiet" className="px-0!" onClick={() => setTold(!told)}>
              {told ? "Hide the answer" : "The answer"}
            </Button>
            {choice.model ? (
              <Button look="quiet" className="px-0!" onClick={() => setLarge(true)}>
                A model to move
              </Button>
            ) : null}
          </p>
          <div className="mt-2 grid grid-cols-3 gap-2">
            {VISIT_RESULTS.map((result) => (
              <button
                key={result}
                type="button"
                disabled={run.busy}
                className="border-ink bg-paper min-h-12 border-[1.5px] font-semibold"
                onClick={() => note(result)}
              >
                {capital(VISIT_WORDS[result])}
              </button>
            ))}
          </div>
          {choice.model ? (
            <Dialog open={large} onOpenChange={setLarge} title={choice.name} wide>
              <MovingModel kind={choice.model.kind} setting={choice.model.setting} />
            </Dialog>
          ) : null}
        </>
      ) : (
        <p className="text-mute">Everything in sight is mastered.</p>
      )}
    </li>
  );
}
