"use client";
import Link from "next/link";
import { useState } from "react";
import { Button } from "@/ui/primitives/Button";
import { readLessonAction } from "../actions";
import type { SittingView } from "../types";
import { LessonText } from "./LessonText";
import { useLessonVisit } from "./useLessonVisit";
import { useStart } from "./useStart";
import { WorkDone } from "./WorkDone";
import { usePlace } from "./WorkPlace";

/** Lessons that were given to read, one a screen; each is told as read by its student. What was read stays open to be read again. */
export function LessonsPage({ initial, personId }: { readonly initial: SittingView; readonly personId: string }) {
  const { home } = usePlace();
  const skillIds = Object.keys(initial.lessons);
  const [read, setRead] = useState(initial.read ?? []);
  const [place, setPlace] = useState(() =>
    Math.max(
      0,
      skillIds.findIndex((id) => !(initial.read ?? []).includes(id)),
    ),
  );
  const [isOver, setOver] = useState(false);
  const { busy, problem, start } = useStart();
  const skillId = skillIds[place] ?? "";
  const skill = initial.lessons[skillId];
  const moved = useLessonVisit(!isOver, { personId, sittingId: initial.sittingId, skillId });
  const isLast = skillIds.every((id) => id === skillId || read.includes(id));
  const next = () =>
    start(
      () => readLessonAction({ sittingId: initial.sittingId, skillId }),
      ({ done }) => {
        const now = read.includes(skillId) ? read : [...read, skillId];
        setRead(now);
        if (done) setOver(true);
        else setPlace(skillIds.findIndex((id) => !now.includes(id)));
        window.scrollTo({ top: 0 });
      },
    );
  return (
    <div className="font-reading mx-auto flex min-h-dvh max-w-[820px] flex-col text-[20px] leading-normal">
      <header className="flex items-baseline justify-between gap-4 px-5 pt-5 sm:px-12">
        <h1 className="text-[19px] font-bold">{initial.partTitle || initial.title}</h1>
        <Link href={home} className="text-mute text-[17px] underline underline-offset-4">
          Stop for now
        </Link>
      </header>
      <main className="flex-1 px-5 pt-4 pb-10 sm:px-[84px]">
        {isOver || !skill ? (
          <WorkDone view={{ ...initial, finished: "read" }} waiting={0} />
        ) : (
          <>
            {initial.instructions === "" ? null : <p className="text-mute mb-4 text-[18px]">{initial.instructions}</p>}
            <h2 className="mb-3 font-serif text-[28px] leading-tight">{skill.name}</h2>
            <LessonText lesson={skill.lesson} model={skill.model} moved={moved} />
            {problem ? (
              <p role="alert" className="border-clay mt-5 border-l-4 pl-3 text-[18px]">
                {problem}
              </p>
            ) : null}
            <div className="mt-8 flex flex-wrap items-center gap-4">
              <Button look="main" size="big" disabled={busy} onClick={next}>
                {isLast ? "I have read this" : "I have read this, next"}
              </Button>
              {skillIds.length > 1 ? (
                <span className="text-mute text-[17px]">
                  {place + 1} of {skillIds.length}
                </span>
              ) : null}
            </div>
          </>
        )}
      </main>
    </div>
  );
}
