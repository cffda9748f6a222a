"use client";
import Link from "next/link";
import { useState } from "react";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { chooseOwnAction } from "../../actions";
import type { OwnSkillView } from "../../ownTypes";
import { LessonText } from "../LessonText";
import { useLessonVisit } from "../useLessonVisit";
import { useStart } from "../useStart";
import { STANDING_WORDS } from "./ownWords";

const LENGTHS = [5, 10, 15, 20] as const;

/** One skill of a student's own choice: practise it for as long as they like, check it, or read up on it. */
export function OwnSkillPage({ view }: { readonly view: OwnSkillView }) {
  const { skillId, personId, name, standing, lesson, model, words, begun } = view;
  const moved = useLessonVisit(true, { personId, sittingId: null, skillId });
  return (
    <main className="font-reading mx-auto max-w-[820px] px-5 py-6 text-[20px] sm:px-12">
      <header className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h1 className="font-serif text-[30px] leading-tight">{name}</h1>
        <Link href="/river/own" className="text-mute text-[17px] underline underline-offset-4">
          Something else
        </Link>
      </header>
      <p className="text-mute mb-5 text-[17px]">{STANDING_WORDS[standing]}</p>
      <Begin skillId={skillId} begun={begun} />
      <section aria-labelledby="read" className="border-hair mt-8 border-t pt-5 text-[19px]">
        <h2 id="read" className="mb-2 font-serif text-[24px]">
          To read up on
        </h2>
        <LessonText lesson={lesson} model={model} moved={moved} />
        {words.length > 0 ? (
          <dl className="mt-6 space-y-1.5">
            {words.map(({ word, means }) => (
              <div key={word}>
                <dt className="inline font-semibold">{word}: </dt>
                <dd className="inline">{means}</dd>
              </div>
            ))}
          </dl>
        ) : null}
      </section>
    </main>
  );
}

function Begin({ skillId, begun }: { readonly skillId: string; readonly begun: string | null }) {
  const [items, setItems] = useState<number | null>(10);
  const { busy, problem, start } = useStart();
  const begin = (asked: { how: "mastery" | "amount" | "check"; items?: number }) =>
    start(
      () => chooseOwnAction({ skillId, ...asked }),
      ({ assignmentId }) => window.location.assign(`/river/${assignmentId}`),
    );
  return (
    <section aria-label="Begin">
      {begun === null ? null : (
        <p className="mb-4">
          <ButtonLink look="main" size="big" href={`/river/${begun}`}>
            Go on where I was
          </ButtonLink>
        </p>
      )}
      <fieldset>
        <legend className="mb-2 text-[18px]">How much?</legend>
        <div className="flex flex-wrap gap-2.5">
          {LENGTHS.map((length) => (
            <Length key={length} chosen={items === length} choose={() => setItems(length)}>
              {`${length} items`}
            </Length>
          ))}
          <Length chosen={items === null} choose={() => setItems(null)}>
            until I have it
          </Length>
        </div>
      </fieldset>
      <div className="mt-4 flex flex-wrap gap-3.5">
        <Button
          look={begun === null ? "main" : "plain"}
          size="big"
          disabled={busy}
          onClick={() => begin(items === null ? { how: "mastery" } : { how: "amount", items })}
        >
          Practise
        </Button>
        <Button size="big" disabled={busy} onClick={() => begin({ how: "check" })}>
          Short check, 2 to 5 items
        </Button>
      </div>
      {problem ? (
        <p role="alert" className="border-clay mt-4 border-l-4 pl-3 text-[18px]">
          {problem}
        </p>
      ) : null}
    </section>
  );
}

function Length({
  chosen,
  choose,
  children,
}: {
  readonly chosen: boolean;
  readonly choose: () => void;
  readonly children: string;
}) {
  return (
    <label
      className={`flex min-h-12 cursor-pointer items-center gap-2.5 border-2 px-4 ${chosen ? "border-ink bg-bank font-semibold" : "border-hair bg-field"}`}
    >
      <input type="radio" name="length" checked={chosen} onChange={choose} className="accent-ink size-5" />
      <span>{children}</span>
    </label>
  );
}
