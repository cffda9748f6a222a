"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { Button } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import { WordEdit } from "@/ui/primitives/WordEdit";
import { setExpectationAction } from "../../actions";
import type { WeekView } from "../../weekTypes";

/** What is expected in a whole week, as a sentence; it shrinks by itself where fewer days were taught. */
export function Expectation({ view }: { readonly view: WeekView }) {
  const { minutes, pieces } = view.expectation;
  const words = `${minutes} minutes and ${pieces} finished ${pieces === 1 ? "piece" : "pieces"}`;
  return (
    <>
      Expected in a whole week:{" "}
      {view.mayChange ? (
        <WordEdit label="Expected in a week" word={words}>
          <Editor view={view} />
        </WordEdit>
      ) : (
        words
      )}
      {view.isSet ? "" : ", which is usual; nobody said otherwise yet"}. Fewer school days, or fewer in the class, ask
      for less.
    </>
  );
}

function Editor({ view }: { readonly view: WeekView }) {
  const router = useRouter();
  const run = useRun(undoAction);
  const [minutes, setMinutes] = useState(view.expectation.minutes);
  const [pieces, setPieces] = useState(view.expectation.pieces);
  const save = () =>
    run(
      () => setExpectationAction({ classIds: view.classIds, minutes, pieces }),
      "Changed what is expected in a week.",
      () => router.refresh(),
    );
  const box = (label: string, value: number, set: (value: number) => void, max: number) => (
    <label className="flex items-center gap-2">
      <input
        type="number"
        min={0}
        max={max}
        className={`${FIELD} w-20`}
        value={Number.isNaN(value) ? "" : value}
        onChange={(event) => set(event.target.valueAsNumber)}
      />
      {label}
    </label>
  );
  return (
    <form
      className="grid gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      {box("minutes a week", minutes, setMinutes, 600)}
      {box("finished pieces a week", pieces, setPieces, 40)}
      <Button type="submit" disabled={run.busy || Number.isNaN(minutes) || Number.isNaN(pieces)}>
        Expect this
      </Button>
    </form>
  );
}
