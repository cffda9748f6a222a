"use client";
import Link from "next/link";
import { useEffect, useRef, useState } from "react";
import { useActiveTime } from "@/client/activeTime";
import { readNumber } from "@/core/answers/readNumber";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { Dialog } from "@/ui/primitives/Dialog";
import { MathText } from "@/ui/primitives/MathText";
import { NumberTable } from "@/ui/primitives/NumberTable";
import { Strips } from "@/ui/primitives/Strips";
import type { ItemView, SittingView } from "../types";
import { River } from "./River";
import { SaidBelow } from "./SaidBelow";
import { type SittingState, useSitting } from "./useSitting";

/** A student at work: one item, one screen. */
export function SittingPage({ initial, personId }: { readonly initial: SittingView; readonly personId: string }) {
  const state = useSitting(initial, personId);
  const { view, item } = state;
  return (
    <div className="sitting font-reading mx-auto flex min-h-dvh max-w-[820px] flex-col text-[20px] leading-normal">
      <header className="flex items-baseline justify-between gap-4 px-5 pt-5 sm:px-12">
        <h1 className="text-[19px] font-bold">{view.title}</h1>
        <Link href="/river" className="text-mute text-[17px] underline underline-offset-4">
          Stop for now
        </Link>
      </header>
      <River progress={view.progress} label={`${Math.round(view.progress * 100)} % of the way`} />
      {state.report ? (
        <p role="status" className="border-water mx-5 mt-2 border-l-4 py-1 pl-3 text-[17px] sm:mx-12">
          {state.report}
        </p>
      ) : null}
      <main className="flex-1 px-5 pt-4 pb-8 sm:px-[84px]">
        {item ? (
          <Item key={`${item.presentationId}`} item={item} state={state} />
        ) : view.finished ? (
          <Done view={view} waiting={state.waiting} />
        ) : (
          <NoItemLeft state={state} />
        )}
      </main>
      <Foot state={state} />
    </div>
  );
}

function Item({ item, state }: { readonly item: ItemView; readonly state: SittingState }) {
  const [answer, setAnswer] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const [lesson, setLesson] = useState(false);
  const time = useActiveTime();
  const field = useRef<HTMLInputElement>(null);
  const feedbackBox = useRef<HTMLDivElement>(null);
  const { said, view, hint } = state;
  const over = said.kind === "kept" || (said.kind === "feedback" && said.itemOver);
  useEffect(() => field.current?.focus({ preventScroll: true }), []);
  useEffect(() => {
    if (said.kind === "nothing") return;
    // What was said begins another try, with a time of its own; a message about how to write it does not.
    if (said.kind === "feedback") time.restart();
    feedbackBox.current?.scrollIntoView({ block: "nearest" });
    if (over) feedbackBox.current?.querySelector<HTMLElement>("[data-next]")?.focus({ preventScroll: true });
    else field.current?.select();
  }, [said, over, time.restart]);
  const check = () => {
    const reading = item.kind === "numeric" ? readNumber(answer) : null;
    if (answer.trim() === "")
      return setProblem(item.kind === "choice" ? "Choose one of the answers first." : "Write an answer first.");
    if (reading && !reading.ok)
      return setProblem(
        reading.reason === "zero-below"
          ? "A fraction can't have 0 below the line."
          : "Write a number, for example 12, 0.5, 3/4 or 1 1/2.",
      );
    setProblem(null);
    void state.submit(answer, time.read());
  };
  const skill = view.lessons[item.skillId];
  return (
    <form
      className="sitting-item"
      data-presentation={item.presentationId}
      onSubmit={(event) => {
        event.preventDefault();
        if (!over) check();
      }}
    >
      <div>
        <p className="max-w-[640px] text-[24px] leading-normal">
          <MathText text={item.stem} />
        </p>
        <NumberTable rows={item.table} />
        {item.kind === "choice" ? (
          <Options item={item} value={answer} set={setAnswer} locked={over || state.busy} />
        ) : (
          <label className="mt-6 flex items-center gap-3">
            <span className="sr-only">Your answer</span>
            <input
              ref={field}
              className="border-ink bg-field min-h-14 w-52 border-[2.5px] px-4 text-[26px] font-bold"
              value={answer}
              onChange={(event) => setAnswer(event.target.value)}
              disabled={over || state.busy}
              autoComplete="off"
              autoCorrect="off"
              spellCheck={false}
              maxLength={40}
            />
            {item.unit && !item.unit.required ? <span className="text-mute">{item.unit.word}</span> : null}
          </label>
        )}
        {problem ? (
          <p role="alert" className="border-clay mt-4 border-l-4 pl-3 text-[18px]">
            {problem}
          </p>
        ) : null}
        {over ? null : (
          <div className="mt-5 flex flex-wrap gap-3.5">
            <Button look="main" size="big" type="submit" disabled={state.busy}>
              {state.busy
                ? "Checking…"
                : said.kind === "feedback"
                  ? "Check again"
                  : view.kind === "check"
                    ? "Hand in this answer"
                    : "Check"}
            </Button>
            {item.hasHint && hint.text === null ? (
              <Button size="big" onClick={() => void hint.ask()}>
                Hint
              </Button>
            ) : null}
          </div>
        )}
        {over ? null : hint.text !== null ? (
          <p className="border-water mt-5 border-l-4 py-1 pl-4 text-[19px]">
            <MathText text={hint.text} />
          </p>
        ) : hint.problem ? (
          <p role="status" className="text-mute mt-4 text-[18px]">
            {hint.problem}
          </p>
        ) : null}
      </div>
      <div ref={feedbackBox} aria-live="polite">
        <SaidBelow state={state} over={over} lesson={skill ? () => setLesson(true) : null} />
      </div>
      {skill ? (
        <Dialog open={lesson} onOpenChange={setLesson} title={skill.name} wide>
          <div className="font-reading text-[19px]">
            <p>
              <MathText text={skill.lesson.idea} />
            </p>
            <p className="mt-3 font-semibold">
              <MathText text={skill.lesson.example} />
            </p>
            {skill.lesson.picture ? <Strips rows={skill.lesson.picture} /> : null}
            <ol className="mt-2 list-decimal space-y-1.5 pl-6">
              {skill.lesson.steps.map((step) => (
                <li key={step}>
                  <MathText text={step} />
                </li>
              ))}
            </ol>
            <Button look="main" size="big" className="mt-5" onClick={() => setLesson(false)}>
              Back to my item
            </Button>
          </div>
        </Dialog>
      ) : null}
    </form>
  );
}

function Options({
  item,
  value,
  set,
  locked,
}: {
  readonly item: ItemView;
  readonly value: string;
  readonly set: (id: string) => void;
  readonly locked: boolean;
}) {
  return (
    <fieldset className="mt-5 grid max-w-[640px] gap-2.5" disabled={locked}>
      <legend className="sr-only">Answers</legend>
      {item.options.map((option) => (
        <label
          key={option.id}
          className={`flex min-h-14 items-center gap-4 border-2 px-4 py-2 ${value === option.id ? "border-ink bg-bank font-semibold" : "border-hair bg-field hover:border-mute"}`}
        >
          <input
            type="radio"
            name={item.presentationId}
            value={option.id}
            checked={value === option.id}
            onChange={() => set(option.id)}
            className="accent-ink size-5"
          />
          <span>
            <MathText text={option.text} />
          </span>
        </label>
      ))}
    </fieldset>
  );
}

function Done({ view, waiting }: { readonly view: SittingView; readonly waiting: number }) {
  return (
    <div className="pt-8">
      <h2 className="font-serif text-[32px] leading-tight">
        {view.kind === "check" ? "Handed in" : view.finished === "mastered" ? "You have got it" : "Done for now"}
      </h2>
      <p className="mt-3">
        {view.kind === "check"
          ? "Thank you. You will hear in class how it went."
          : view.finished === "mastered"
            ? `${view.itemsRight} of ${view.itemsDone} were right at the first try, and you showed that you can do this.`
            : `You worked through ${view.itemsDone} items; ${view.itemsRight} were right at the first try. Your teacher sees what would help next.`}
      </p>
      {waiting > 0 ? <p className="mt-3">Leave this page open until everything has been sent.</p> : null}
      <ButtonLink look="main" size="big" href="/river" className="mt-6">
        To my river
      </ButtonLink>
    </div>
  );
}

function NoItemLeft({ state }: { readonly state: SittingState }) {
  return (
    <div className="pt-8">
      <h2 className="font-serif text-[28px]">{state.waiting > 0 ? "That is all for now" : "One moment…"}</h2>
      {state.waiting > 0 ? (
        <p className="mt-2">
          You have done everything that can be done without a connection. Keep this page open: your answers are sent by
          themselves, and then it goes on.
        </p>
      ) : null}
    </div>
  );
}

function Foot({ state }: { readonly state: SittingState }) {
  const { view, waiting, connection, keeps } = state;
  const left = view.budgetItems - view.itemsDone;
  const where = keeps === "device" ? "kept on this device" : "only in this page: leave it open";
  const kept = waiting === 1 ? `1 answer ${where}` : `${waiting} answers ${where}`;
  return (
    <footer className="border-hair text-mute sticky bottom-0 flex flex-wrap justify-between gap-x-6 border-t bg-paper px-5 py-3 text-[17px] sm:px-12">
      <span role="status" className={connection === "online" ? "" : "text-clay font-semibold"}>
        {connection === "signed-out" ? (
          <>
            Signed out; {kept}.{" "}
            <Link className="underline" href="/sign-in">
              Sign in again
            </Link>
          </>
        ) : waiting > 0 ? (
          `Not sent yet: ${kept}`
        ) : keeps === "device" ? (
          "Saved"
        ) : (
          "Saved. This browser can't keep answers without a connection."
        )}
      </span>
      <span>{view.finished ? "" : view.kind === "check" ? `${left} to go` : `At most ${left} more`}</span>
    </footer>
  );
}
