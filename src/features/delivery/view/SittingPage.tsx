"use client";
import Link from "next/link";
import type { SittingView } from "../types";
import { Calculator } from "./Calculator";
import { ItemForm } from "./ItemForm";
import { River } from "./River";
import { SignsAbove } from "./SignsAbove";
import { useSigns } from "./useSigns";
import { type SittingState, useSitting } from "./useSitting";
import { WorkDone } from "./WorkDone";
import { usePlace } from "./WorkPlace";
import { TimeLeft } from "./whole/TimeLeft";
import { WORK_WORDS } from "./workWords";

/** A student at work: one item, one screen. */
export function SittingPage({ initial, personId }: { readonly initial: SittingView; readonly personId: string }) {
  const { home } = usePlace();
  const state = useSitting(initial, personId);
  const { view, item } = state;
  const signs = useSigns(view.sittingId, view.finished !== null);
  const endsAt = signs.endsAt ?? view.endsAt;
  return (
    <div className="sitting font-reading mx-auto flex min-h-dvh max-w-[820px] flex-col text-[20px] leading-normal">
      <header className="flex items-baseline justify-between gap-4 px-5 pt-5 sm:px-12">
        <h1 className="text-[19px] font-bold">{view.partTitle || view.title}</h1>
        <Link href={home} className="text-mute text-[17px] underline underline-offset-4">
          Stop for now
        </Link>
      </header>
      <SignsAbove signs={signs} />
      {endsAt !== null && view.finished === null ? (
        <p className="px-5 text-[17px] sm:px-12">
          <TimeLeft endsAt={endsAt} />
        </p>
      ) : null}
      <River progress={view.progress} label={`${Math.round(view.progress * 100)} % of the way`} />
      {state.report ? (
        <p role="status" className="border-water mx-5 mt-2 border-l-4 py-1 pl-3 text-[17px] sm:mx-12">
          {state.report}
        </p>
      ) : null}
      <main className="flex-1 px-5 pt-4 pb-8 sm:px-[84px]">
        {item ? (
          <ItemForm key={item.presentationId} item={item} state={state} />
        ) : view.finished ? (
          <WorkDone view={view} waiting={state.waiting} />
        ) : (
          <NoItemLeft state={state} />
        )}
      </main>
      {view.calculator && view.finished === null ? <Calculator /> : null}
      <Foot state={state} />
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
  const left = view.mostItems - view.itemsDone;
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
      <span>{view.finished ? "" : WORK_WORDS[view.kind].left(left)}</span>
    </footer>
  );
}
