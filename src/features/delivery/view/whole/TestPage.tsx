"use client";
import Link from "next/link";
import { useState } from "react";
import { Button } from "@/ui/primitives/Button";
import type { SittingView, WholeView } from "../../types";
import { Calculator } from "../Calculator";
import { SignsAbove } from "../SignsAbove";
import { SpokenFace } from "../SpokenFace";
import { WorkDone } from "../WorkDone";
import { usePlace } from "../WorkPlace";
import { ItemStrip } from "./ItemStrip";
import { LookOver } from "./LookOver";
import { TimeLeft } from "./TimeLeft";
import { type TestState, useTest } from "./useTest";

/** A student at a test in which one goes back and forth: one item, one screen; a look over all of it before it is handed in. */
export function TestPage({
  initial,
  personId,
}: {
  readonly initial: SittingView & { readonly whole: WholeView };
  readonly personId: string;
}) {
  const { home } = usePlace();
  const test = useTest(initial, personId);
  const [isLookingOver, setLookingOver] = useState(false);
  const isOver = test.handedIn !== "no";
  const go = (place: number) => {
    setLookingOver(false);
    test.go(place);
  };
  return (
    <div className="sitting font-reading mx-auto flex min-h-dvh max-w-[820px] flex-col text-[20px] leading-normal">
      <header className="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1 px-5 pt-5 sm:px-12">
        <h1 className="text-[19px] font-bold">{initial.partTitle || initial.title}</h1>
        {isOver ? null : (
          <span className="flex items-baseline gap-5 text-[17px]">
            {test.endsAt === null ? null : <TimeLeft endsAt={test.endsAt} />}
            <Link href={home} className="text-mute underline underline-offset-4">
              Stop for now
            </Link>
          </span>
        )}
      </header>
      {test.report ? (
        <p role="status" className="border-water mx-5 mt-2 border-l-4 py-1 pl-3 text-[17px] sm:mx-12">
          {test.report}
        </p>
      ) : null}
      <SignsAbove signs={test.signs} />
      {isOver ? null : <ItemStrip test={test} isLookingOver={isLookingOver} go={go} />}
      <main className="flex-1 px-5 pt-4 pb-8 sm:px-[84px]">
        {isOver ? (
          <HandedIn initial={initial} test={test} />
        ) : isLookingOver ? (
          <LookOver test={test} go={go} />
        ) : (
          <OneItem
            test={test}
            instructions={initial.instructions}
            readsAloud={initial.readsAloud}
            lookOver={() => setLookingOver(true)}
          />
        )}
      </main>
      {initial.calculator && !isOver ? <Calculator /> : null}
      <Foot test={test} />
    </div>
  );
}

function OneItem({
  test,
  instructions,
  readsAloud,
  lookOver,
}: {
  readonly test: TestState;
  readonly instructions: string;
  readonly readsAloud: boolean;
  readonly lookOver: () => void;
}) {
  const item = test.items[test.place];
  if (!item) return null;
  const isLast = test.place === test.items.length - 1;
  const isFlagged = test.states[test.place]?.flagged === true;
  return (
    <form
      className="sitting-item"
      data-presentation={item.presentationId}
      onSubmit={(event) => {
        event.preventDefault();
        if (isLast) {
          test.go(test.place);
          lookOver();
        } else test.go(test.place + 1);
      }}
    >
      <div key={item.presentationId}>
        {test.place === 0 && instructions !== "" ? <p className="text-mute mb-4 text-[18px]">{instructions}</p> : null}
        <SpokenFace item={item} readsAloud={readsAloud} values={test.values} set={test.set} locked={false} />
        {test.problem ? (
          <p role="alert" className="border-clay mt-4 border-l-4 pl-3 text-[18px]">
            {test.problem}
          </p>
        ) : null}
        <div className="mt-6 flex flex-wrap items-center gap-3.5">
          <Button look="main" size="big" type="submit">
            {isLast ? "Look over" : "Next"}
          </Button>
          {test.place > 0 ? (
            <Button size="big" onClick={() => test.go(test.place - 1)}>
              Back
            </Button>
          ) : null}
          <label className="flex min-h-11 items-center gap-2.5 text-[18px]">
            <input type="checkbox" className="accent-ink size-5" checked={isFlagged} onChange={test.flag} />
            Look at this again
          </label>
        </div>
      </div>
    </form>
  );
}

function HandedIn({ initial, test }: { readonly initial: SittingView; readonly test: TestState }) {
  if (test.handedIn === "yes")
    return <WorkDone view={{ ...initial, finished: "handed-in", hasResults: false }} waiting={test.waiting} />;
  return (
    <div className="pt-8" role="status">
      <h2 className="font-serif text-[28px]">
        {test.connection === "online" ? "Handing in…" : "Handed in on this device"}
      </h2>
      {test.connection === "online" ? null : (
        <p className="mt-2">
          It is sent to your teacher as soon as there is a connection. Leave this page open until then.
        </p>
      )}
    </div>
  );
}

function Foot({ test: { waiting, connection, handedIn } }: { readonly test: TestState }) {
  const kept = waiting === 1 ? "1 thing kept on this device" : `${waiting} things kept on this device`;
  return (
    <footer className="border-hair text-mute bg-paper sticky bottom-0 border-t px-5 py-3 text-[17px] sm:px-12">
      <span role="status" className={connection === "online" ? "" : "text-clay font-semibold"}>
        {connection === "signed-out" ? (
          <>
            Signed out; {kept}.{" "}
            <Link className="underline" href="/sign-in">
              Sign in again
            </Link>
          </>
        ) : waiting > 0 && connection === "away" ? (
          `Not sent yet: ${kept}`
        ) : handedIn === "yes" ? (
          ""
        ) : (
          "Saved as you go"
        )}
      </span>
    </footer>
  );
}
