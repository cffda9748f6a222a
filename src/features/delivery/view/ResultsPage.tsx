"use client";
import Link from "next/link";
import { ButtonLink } from "@/ui/primitives/Button";
import { MathText } from "@/ui/primitives/MathText";
import type { ResultItem, ResultsView } from "../types";
import { usePlace } from "./WorkPlace";

/** What came out of a test, for the student: the score, own answers beside the right ones, and what to work on. */
export function ResultsPage({ results }: { readonly results: ResultsView }) {
  const { base, home, homeWords, isTrial } = usePlace();
  const { score, items, toWorkOn } = results;
  return (
    <main className="font-reading mx-auto max-w-[820px] px-5 py-6 text-[20px] sm:px-12">
      <header className="flex items-baseline justify-between gap-4">
        <h1 className="font-serif text-[30px] leading-tight">{results.partTitle || results.title}</h1>
        <Link href={home} className="text-mute text-[17px] underline underline-offset-4">
          {homeWords}
        </Link>
      </header>
      {results.released ? <p className="text-mute text-[17px]">handed in on {results.handedIn}</p> : null}
      {results.released ? null : <p className="mt-4">Your teacher has not shown yet how it went.</p>}
      {!results.released ? null : score ? (
        <p className="mt-4 text-[24px]">
          <b>
            {score.earned} of {score.most} points
          </b>
          , {score.percent} %
        </p>
      ) : (
        <p className="mt-4">
          {results.waiting === 1
            ? "Your teacher still reads 1 answer"
            : `Your teacher still reads ${results.waiting} answers`}
          . Then you see the score.
        </p>
      )}
      {results.comments.map((text) => (
        <p key={text} className="border-water mt-4 border-l-4 pl-4">
          {text}
        </p>
      ))}
      {toWorkOn.length > 0 ? (
        <section className="mt-5">
          <h2 className="font-serif text-[24px]">To work on</h2>
          <ul className="mt-1 list-disc pl-6">
            {toWorkOn.map(({ skillId, name }) => (
              <li key={skillId}>
                {results.followUp || isTrial ? (
                  name
                ) : (
                  <Link className="underline underline-offset-4" href={`/river/own/${encodeURIComponent(skillId)}`}>
                    {name}
                  </Link>
                )}
              </li>
            ))}
          </ul>
          {results.followUp ? (
            <p className="mt-3">
              <ButtonLink look="main" size="big" href={`${base}/${results.workId}?part=${results.followUp}`}>
                Begin to work on it
              </ButtonLink>
            </p>
          ) : null}
        </section>
      ) : null}
      {items ? (
        <section className="mt-7">
          <h2 className="font-serif text-[24px]">Your answers</h2>
          <ol>
            {items.map((item, place) => (
              <Answer key={item.id} item={item} place={place} />
            ))}
          </ol>
        </section>
      ) : null}
    </main>
  );
}

const VERDICTS: Readonly<Record<ResultItem["verdict"], string>> = {
  right: "right",
  partly: "partly right",
  wrong: "not right",
  blank: "left blank",
  waiting: "your teacher reads it",
};

function Answer({ item, place }: { readonly item: ResultItem; readonly place: number }) {
  return (
    <li className="border-hair grid grid-cols-[2.2rem_1fr] gap-x-2 border-t py-4">
      <span className="font-bold tabular-nums">{place + 1}</span>
      <div>
        <p>
          <MathText text={item.stem} />
        </p>
        <p className="mt-1.5 text-[18px]">
          {item.given === "" ? null : (
            <>
              You wrote{" "}
              <b>
                <MathText text={item.given} />
              </b>
              :{" "}
            </>
          )}
          <span className={item.verdict === "right" ? "" : "font-semibold"}>{VERDICTS[item.verdict]}</span>
          {item.verdict === "right" || item.verdict === "waiting" ? null : (
            <>
              . Answer:{" "}
              <b>
                <MathText text={item.key} />
              </b>
            </>
          )}
        </p>
        {item.said && item.verdict !== "right" ? (
          <p className="text-mute mt-1 text-[18px]">
            <MathText text={item.said} />
          </p>
        ) : null}
        {item.solution && item.verdict !== "right" ? (
          <p className="mt-1 text-[18px]">
            <MathText text={item.solution} />
          </p>
        ) : null}
      </div>
    </li>
  );
}
