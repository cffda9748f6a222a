"use client";
import Link from "next/link";
import { ButtonLink } from "@/ui/primitives/Button";
import type { OwnPartView, PartsView } from "../types";
import { usePlace } from "./WorkPlace";

/** Work of several parts on its student's page: what to do now, what is done, and what something waits for. */
export function PartsPage({ work }: { readonly work: PartsView }) {
  const { home, homeWords } = usePlace();
  const first = work.parts.find(({ state }) => state === "begun" || state === "open");
  return (
    <main className="font-reading mx-auto max-w-[820px] px-5 py-6 text-[20px] sm:px-12">
      <header className="flex items-baseline justify-between gap-4">
        <h1 className="font-serif text-[30px] leading-tight">{work.title}</h1>
        <Link href={home} className="text-mute text-[17px] underline underline-offset-4">
          {homeWords}
        </Link>
      </header>
      {work.instructions === "" ? null : <p className="mt-3">{work.instructions}</p>}
      <ol className="mt-5">
        {work.parts
          .filter(({ state }) => state !== "not-needed")
          .map((part) => (
            <Part key={part.partId} part={part} workId={work.workId} isFirst={part === first} />
          ))}
      </ol>
      {first ? null : (
        <p className="mt-5">{isDone(work) ? "You are through with all of it." : "Nothing is open now."}</p>
      )}
    </main>
  );
}

const isDone = ({ parts }: PartsView) => parts.every(({ state }) => state === "done" || state === "not-needed");

function Part({
  part: { partId, title, state, waitsFor, hasResults, onPaper },
  workId,
  isFirst,
}: {
  readonly part: OwnPartView;
  readonly workId: string;
  readonly isFirst: boolean;
}) {
  const { base } = usePlace();
  return (
    <li className="border-hair flex flex-wrap items-center justify-between gap-4 border-t py-4">
      <div>
        <p className={state === "locked" ? "text-mute" : "font-semibold"}>{title}</p>
        {waitsFor.map((words) => (
          <p key={words} className="text-mute text-[17px]">
            {words}
          </p>
        ))}
        {state === "done" ? <p className="text-mute text-[17px]">done</p> : null}
      </div>
      {onPaper && state === "open" ? <span className="text-mute text-[17px]">on paper</span> : null}
      {!onPaper && (state === "open" || state === "begun") ? (
        <ButtonLink look={isFirst ? "main" : "plain"} size="big" href={`${base}/${workId}?part=${partId}`}>
          {state === "begun" ? "Go on" : "Begin"}
        </ButtonLink>
      ) : null}
      {hasResults ? (
        <ButtonLink size="big" href={`${base}/${workId}/results?part=${partId}`}>
          See how it went
        </ButtonLink>
      ) : null}
    </li>
  );
}
