"use client";
import { Volume2 } from "lucide-react";
import { useRef, useState } from "react";
import { useReadAloud } from "@/client/speech/useReadAloud";
import { factAnswer } from "@/core/fluency/factAnswer";
import { factOfId } from "@/core/fluency/factOfId";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { factsText, factText } from "@/words/factWords";
import type { FactSession } from "../../types";
import { FactPicture } from "./FactPicture";
import { Keypad } from "./Keypad";
import { type Asked, type Said, type SessionEnd, useFactSession } from "./useFactSession";

/** A session of number facts: copying, placement or drill, one after the other, as far as the minutes reach. */
export function FactSessionPage({ session }: { readonly session: FactSession }) {
  const run = useFactSession(session);
  const [showMinutes, setShowMinutes] = useState(false);
  const { asked, wrong } = run;
  return (
    <main className="font-reading mx-auto flex min-h-dvh max-w-[820px] flex-col px-5 py-5 text-[20px] sm:px-12">
      <header className="flex items-baseline justify-between gap-4">
        <h1 className="text-[20px] font-semibold">Number facts</h1>
        <a className="text-mute text-[17px] underline underline-offset-4" href="/river/facts">
          Stop here any time
        </a>
      </header>
      <div className="flex-1 pt-6 [@media(min-height:1000px)]:pt-20">
        {typeof asked === "string" ? (
          <Ended end={asked} session={session} run={run} />
        ) : wrong === null ? (
          <Ask
            key={`${asked.id} ${run.copied} ${run.seconds}`}
            asked={asked}
            said={run.said}
            session={session}
            answer={run.answer}
          />
        ) : (
          <Wrong id={wrong} goOn={run.goOn} />
        )}
      </div>
      <footer className="border-hair text-mute flex flex-wrap items-center justify-between gap-3 border-t py-3 text-[17px]">
        <span role="status">
          {run.waiting > 0
            ? `No connection: ${run.waiting === 1 ? "1 answer is" : `${run.waiting} answers are`} kept on this device.`
            : "Saved"}
        </span>
        <span>
          {showMinutes ? `${Math.floor(run.seconds / 60)} of ${run.minutes} min` : null}{" "}
          <button
            type="button"
            className="min-h-11 underline underline-offset-4"
            aria-pressed={showMinutes}
            onClick={() => setShowMinutes(!showMinutes)}
          >
            {showMinutes ? "Hide the minutes" : "Show the minutes"}
          </button>
        </span>
      </footer>
    </main>
  );
}

const TOLD: Readonly<Record<Asked["kind"], string>> = {
  copy: "First the keys: type the same number, then OK.",
  place: "What do you know by heart? Answer what comes at once, and pass on what does not.",
  drill: "Type the answer, then OK.",
};

function Ask(props: {
  readonly asked: Asked;
  readonly said: Said | null;
  readonly session: FactSession;
  readonly answer: (value: number | null) => void;
}) {
  const { asked, said, session, answer } = props;
  const [value, setValue] = useState("");
  const place = useRef<HTMLParagraphElement>(null);
  const { can, toggle } = useReadAloud(asked.id);
  const isFact = asked.kind !== "copy";
  return (
    <div className="flex flex-col items-center gap-5">
      <p className="text-mute self-start text-[18px]">{TOLD[asked.kind]}</p>
      <p className="min-h-8 text-[18px]" aria-live="polite">
        {said ? saidWords(said) : ""}
      </p>
      <p ref={place} className="text-[52px] leading-none tabular-nums" data-fact={asked.id} data-kind={asked.kind}>
        {isFact ? `${factText(asked.id)} =` : asked.id}
      </p>
      <output
        aria-label="Your answer"
        className="border-ink bg-field flex h-17 w-full max-w-[330px] items-center justify-center border-[1.5px] text-[36px] tabular-nums"
      >
        {value}
      </output>
      <Keypad value={value} set={setValue} enter={() => (value === "" ? null : answer(Number(value)))} />
      <p className="flex flex-wrap items-center gap-6 text-[18px]">
        {isFact ? (
          <button type="button" className="min-h-11 underline underline-offset-4" onClick={() => answer(null)}>
            {asked.kind === "place" ? "Pass on" : "I don't know it yet"}
          </button>
        ) : null}
        {session.readsAloud && can ? (
          <button
            type="button"
            className="inline-flex min-h-11 items-center gap-2 underline underline-offset-4"
            onClick={() => toggle(place.current)}
          >
            <Volume2 aria-hidden="true" className="size-5" /> Read aloud
          </button>
        ) : null}
      </p>
    </div>
  );
}

function saidWords({ id, inTime }: Said): string {
  const fact = factOfId(id);
  const whole = `${factText(id)} = ${fact ? factAnswer(fact) : ""}`;
  return inTime ? `Yes, ${whole}.` : `${whole}. It comes again, so that it comes to mind sooner.`;
}

/** A fact that was wrong: its picture, and the right answer to be typed once. */
function Wrong({ id, goOn }: { readonly id: string; readonly goOn: () => void }) {
  const [value, setValue] = useState("");
  const fact = factOfId(id);
  if (!fact) return null;
  const right = String(factAnswer(fact));
  return (
    <section
      className="border-ink bg-bank flex flex-wrap gap-x-10 gap-y-5 border-t-[3px] p-4 sm:p-6"
      aria-live="polite"
    >
      <div className="min-w-0 flex-1 space-y-3">
        <h2 className="font-serif text-[24px]">
          {factText(id)} = {right}
        </h2>
        <FactPicture fact={fact} />
      </div>
      <div className="w-full max-w-[330px] space-y-3">
        <p className="text-[18px]">
          Type <b>{right}</b> to go on.
        </p>
        <output
          aria-label="Your answer"
          className="border-ink bg-field flex h-14 w-full max-w-[330px] items-center justify-center border-[1.5px] text-[30px] tabular-nums"
        >
          {value}
        </output>
        <Keypad value={value} set={setValue} enter={() => (value === right ? goOn() : setValue(""))} />
      </div>
    </section>
  );
}

const END_TITLES: Readonly<Record<SessionEnd, string>> = {
  time: "That was your time for today",
  "nothing-to-ask": "There is nothing to ask",
  placed: "Now we know where to begin",
  "same-answers": "Let's stop here for a moment",
};

function Ended(props: {
  readonly end: SessionEnd;
  readonly session: FactSession;
  readonly run: ReturnType<typeof useFactSession>;
}) {
  const { end, session, run } = props;
  const { goal, newlyFluent } = session.today;
  return (
    <section className="space-y-5" aria-live="polite">
      <h2 className="font-serif text-[28px]">{END_TITLES[end]}</h2>
      {end === "same-answers" ? (
        <p>
          The same answer came six times, and it was wrong each time. More of them do not count. Ask for help, or go on
          when you like.
        </p>
      ) : end === "placed" ? (
        <p>The facts that you know come in between; new ones join them, a few at a time.</p>
      ) : (
        <>
          <p>
            {run.inTime >= goal
              ? `You had ${run.inTime} facts in time. Your goal for today was ${goal}: met.`
              : `You had ${run.inTime} facts in time; your goal for today is ${goal}.`}
          </p>
          <p>{newlyFluent.length > 0 ? `New by heart since yesterday: ${factsText(newlyFluent)}.` : null}</p>
        </>
      )}
      <p className="flex flex-wrap gap-3">
        {end === "placed" ? (
          <Button look="main" size="big" onClick={() => void run.sendAndReload()}>
            Go on
          </Button>
        ) : (
          <ButtonLink look="main" size="big" href="/river/facts">
            See my facts
          </ButtonLink>
        )}
        {end === "time" || end === "same-answers" ? (
          <Button size="big" onClick={run.more}>
            {end === "time" ? "A little more" : "Go on"}
          </Button>
        ) : null}
        <ButtonLink look="quiet" size="big" href="/river">
          To my river
        </ButtonLink>
      </p>
    </section>
  );
}
