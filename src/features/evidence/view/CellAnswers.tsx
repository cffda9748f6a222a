"use client";
import { X } from "lucide-react";
import { usePullList } from "@/client/pull-list/pullList";
import { useJson } from "@/client/useJson";
import { SheetLink } from "@/ui/layout/SheetLink";
import { Button } from "@/ui/primitives/Button";
import { Gauge, gaugeWords } from "@/ui/primitives/Gauge";
import { MathText } from "@/ui/primitives/MathText";
import type { CellView } from "../types";

const NO_ANSWERS = {
  diagnostic: "No answers yet in this skill. The chance follows from the diagnostic.",
  score: "No answers yet in this skill. The chance follows from a score from elsewhere, which tells little.",
  grade: "No answers yet in this skill.",
} as const;

/** The answers behind one cell, newest first: what was asked, what was given, what it shows. */
export function CellAnswers({
  studentId,
  skillId,
  close,
}: {
  readonly studentId: string;
  readonly skillId: string;
  readonly close: () => void;
}) {
  const pull = usePullList();
  const loaded = useJson<CellView>(
    `/api/cell?student=${encodeURIComponent(studentId)}&skill=${encodeURIComponent(skillId)}`,
  );
  return (
    <div>
      <div className="flex items-start justify-between gap-3">
        {loaded.state === "ready" ? (
          <div>
            <h2 className="font-serif text-[18px] leading-tight font-medium">
              <SheetLink id={studentId}>{loaded.data.studentName}</SheetLink>
            </h2>
            <p className="text-mute text-[14px]">{loaded.data.skillName}</p>
          </div>
        ) : (
          <p className="text-mute text-[14px]">
            {loaded.state === "loading" ? "Loading the answers…" : loaded.message}
          </p>
        )}
        <button type="button" onClick={close} aria-label="Close the answers" className="p-1">
          <X size={18} aria-hidden />
        </button>
      </div>
      {loaded.state === "ready" ? (
        <>
          <Button
            className="mt-2"
            onClick={() => pull.toggle({ id: studentId, name: loaded.data.studentName, skillId })}
          >
            {pull.has(studentId) ? "Take off the pull list" : "Put on the pull list"}
          </Button>
          <Answers cell={loaded.data} />
        </>
      ) : null}
    </div>
  );
}

function Answers({ cell }: { readonly cell: CellView }) {
  return (
    <>
      <p className="mt-2 flex items-center gap-2 text-[14px]">
        <Gauge {...cell.gauge} className="h-5 w-12 shrink-0" /> {gaugeWords(cell.gauge)}
      </p>
      {cell.lesson ? <p className="text-mute mt-1 text-[14px]">{lessonWords(cell.lesson)}</p> : null}
      {cell.answers.length === 0 ? (
        <p className="text-mute mt-4 text-[14px]">{NO_ANSWERS[cell.start ?? "grade"]}</p>
      ) : null}
      <ol className="mt-2 max-h-[calc(100dvh-19rem)] overflow-y-auto pr-1">
        {cell.answers.map((answer) => (
          <li key={answer.key} className="border-hair border-t py-2 text-[14px] leading-snug">
            <p className="text-mute flex justify-between text-[13px]">
              <span>{answer.when}</span>
              <span>
                {answer.tryNumber > 1 ? "second try, " : ""}
                {answer.hintsUsed > 0 ? `${answer.hintsUsed} ${answer.hintsUsed === 1 ? "hint" : "hints"}, ` : ""}
                {answer.seconds} s
              </span>
            </p>
            <p>
              <MathText text={answer.stem} />
            </p>
            <p className="mt-0.5">
              {answer.right ? "Right: " : answer.partly ? `${answer.partly}: gave ` : "Gave "}
              <b>
                <MathText text={answer.given} />
              </b>
              {answer.right ? null : (
                <>
                  , not{" "}
                  <b>
                    <MathText text={answer.answer} />
                  </b>
                </>
              )}
            </p>
            {answer.misconception ? <p className="text-clay">{answer.misconception}</p> : null}
          </li>
        ))}
      </ol>
      {cell.more > 0 ? <p className="text-mute text-[13px]">Older answers are kept but not listed here.</p> : null}
    </>
  );
}

/** How long, in minutes from two on. */
const long = (seconds: number) => (seconds < 120 ? `${seconds} s` : `${Math.round(seconds / 60)} min`);

function lessonWords({ times, seconds, modelSeconds, modelMoves, last }: NonNullable<CellView["lesson"]>): string {
  const often = times === 1 ? "once" : `${times} times`;
  const moved = modelMoves === 0 ? "its model was not moved" : `moved its model for ${long(modelSeconds)}`;
  return `Opened the lesson ${often}, ${long(seconds)} in all; ${moved}. Last on ${last}.`;
}
