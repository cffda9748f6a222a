"use client";
import { useState } from "react";
import { PageHead } from "@/ui/layout/PageHead";
import { ButtonLink } from "@/ui/primitives/Button";
import { MathText } from "@/ui/primitives/MathText";
import type { PartToScore, ScoringView } from "../types";
import { ScoredAnswer } from "./ScoredAnswer";

/** Answers that a person scores: one question at a time, what is looked for beside everybody's answers. */
export function ScoringPage({ scoring, base }: { readonly scoring: ScoringView; readonly base: string }) {
  const [key, setKey] = useState(scoring.parts[0]?.key ?? "");
  const [hidden, setHidden] = useState(false);
  const part = scoring.parts.find((one) => one.key === key);
  return (
    <div className="px-5 py-4">
      <PageHead title={`Score “${scoring.title}”`} sub={`${scoring.className}.`}>
        <label className="flex items-center gap-1.5 text-[15px]">
          <input type="checkbox" checked={hidden} onChange={(event) => setHidden(event.target.checked)} /> Without names
        </label>
        <ButtonLink href={`${base}/work/${scoring.workId}`}>Back to the work</ButtonLink>
      </PageHead>
      {scoring.parts.length > 1 ? (
        <fieldset className="mb-4 flex flex-wrap gap-2" aria-label="Questions">
          {scoring.parts.map((one, place) => (
            <button
              key={one.key}
              type="button"
              aria-pressed={one.key === key}
              className={`border-ink border-[1.5px] px-3 py-1 text-[15px] ${one.key === key ? "bg-ink text-paper" : ""}`}
              onClick={() => setKey(one.key)}
            >
              Question {place + 1}
            </button>
          ))}
        </fieldset>
      ) : null}
      {part ? <OnePart key={part.key} part={part} hidden={hidden} /> : <p>Nobody has answered in writing yet.</p>}
    </div>
  );
}

function OnePart({ part, hidden }: { readonly part: PartToScore; readonly hidden: boolean }) {
  const [scored, setScored] = useState<ReadonlySet<number>>(
    () => new Set(part.answers.flatMap(({ serial, points }) => (points ? [serial] : []))),
  );
  const goOn = (from: number) => {
    const after = [...part.answers.slice(from + 1), ...part.answers.slice(0, from)];
    const next = after.find(({ serial }) => !scored.has(serial));
    document.querySelector<HTMLElement>(`[data-answer="${next?.serial}"] input`)?.focus();
  };
  return (
    <div className="grid max-w-6xl gap-8 lg:grid-cols-[340px_1fr]">
      <section aria-label="What was asked" className="lg:sticky lg:top-4 lg:self-start">
        <p className="font-reading mb-3 text-[18px] whitespace-pre-line">
          <MathText text={part.question} />
        </p>
        {part.sample === "" ? null : (
          <>
            <h2 className="text-mute text-[15px]">An answer that earns everything</h2>
            <p className="font-reading mb-3 whitespace-pre-line">
              <MathText text={part.sample} />
            </p>
          </>
        )}
        <p className="text-[15px]">
          <b>
            {scored.size} of {part.answers.length}
          </b>{" "}
          scored. Keys: a digit gives points, Enter goes to the next that waits.
        </p>
      </section>
      <ol className="grid gap-5" aria-label="Answers">
        {part.answers.map((answer, place) => (
          <ScoredAnswer
            key={answer.serial}
            answer={answer}
            part={part}
            title={hidden ? `Answer ${place + 1}` : answer.name}
            done={() => setScored((before) => new Set([...before, answer.serial]))}
            goOn={() => goOn(place)}
          />
        ))}
      </ol>
    </div>
  );
}
