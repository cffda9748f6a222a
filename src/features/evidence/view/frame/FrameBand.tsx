"use client";
import Link from "next/link";
import { useParams } from "next/navigation";
import { Button } from "@/ui/primitives/Button";
import { Choices } from "@/ui/primitives/Choices";
import { WordEdit } from "@/ui/primitives/WordEdit";
import type { FrameView } from "../../frame/frameTypes";
import { REPORTS, type ReportPath } from "../../frame/reports";
import { AboutChoice } from "./AboutChoice";
import { RangeChoice } from "./RangeChoice";
import { useFrame } from "./useFrame";
import { WhomChoice } from "./WhomChoice";

/** Which words of the frame a report listens to; a report never shows one that changes nothing in it. */
export interface Listens {
  readonly range?: boolean;
  readonly against?: boolean;
  readonly about?: boolean;
  readonly ofGrade?: boolean;
}

const GRADE_WORDS = {
  any: "of any grade",
  on: "of their own grade",
  below: "below their grade",
  above: "above their grade",
};

/** Above every report: from one to the next with the same class, days and students, and what decides, as a sentence. It never scrolls away. */
export function FrameBand({
  frame,
  report,
  listens,
  whom = true,
}: {
  readonly frame: FrameView;
  readonly report: ReportPath;
  readonly listens: Listens;
  readonly whom?: boolean;
}) {
  const { classes } = useParams<{ classes: string }>();
  const { set, without, kept } = useFrame();
  const { params } = frame;
  return (
    <div className="bg-paper border-hair sticky top-(--desk-head) z-10 border-b px-5 pt-1 pb-1 text-[14px]">
      <nav aria-label="Reports" className="no-print -mx-1 flex gap-x-4 overflow-x-auto whitespace-nowrap">
        {REPORTS.map(({ path, name, question }) => (
          <Link
            key={path}
            href={`/desk/${classes}/evidence${path === "" ? "" : `/${path}`}${kept()}`}
            title={question}
            aria-current={path === report ? "page" : undefined}
            className={`px-1 py-0.5 ${path === report ? "border-ink border-b-2 font-bold" : "text-mute hover:text-ink border-b-2 border-transparent"}`}
          >
            {name}
          </Link>
        ))}
      </nav>
      <div className="flex flex-wrap items-baseline gap-x-3">
        <p className="py-0.5 leading-snug">
          {whom ? (
            <>
              For{" "}
              <WordEdit label="Whom" word={frame.whom}>
                <WhomChoice frame={frame} />
              </WordEdit>
            </>
          ) : null}
          {listens.range ? (
            <>
              {whom ? ", " : "From "}
              <WordEdit label="Days" word={frame.range.words}>
                <RangeChoice frame={frame} of="range" />
              </WordEdit>
            </>
          ) : null}
          {listens.about ? (
            <>
              , in{" "}
              <WordEdit label="About" word={frame.about}>
                <AboutChoice frame={frame} />
              </WordEdit>
            </>
          ) : null}
          {listens.ofGrade ? (
            <>
              {" "}
              <WordEdit label="Grade" word={GRADE_WORDS[params.ofGrade ?? "any"]}>
                <Choices
                  name="frame-grade"
                  value={params.ofGrade ?? "any"}
                  of={Object.entries(GRADE_WORDS) as [keyof typeof GRADE_WORDS, string][]}
                  set={(grade) => set({ grade: grade === "any" ? null : grade })}
                />
              </WordEdit>
            </>
          ) : null}
          {listens.against ? (
            <>
              , against{" "}
              <WordEdit label="Against" word={frame.against?.words ?? "nothing"}>
                <RangeChoice frame={frame} of="against" />
              </WordEdit>
            </>
          ) : null}
          .
        </p>
        {frame.hides.map(({ words, widen, drop }) => (
          <p key={widen} className="text-mute">
            {words.slice(0, 1).toUpperCase()}
            {words.slice(1)}.{" "}
            <Button look="quiet" className="no-print min-h-0! px-0! py-0! text-[14px]!" onClick={() => without(drop)}>
              {widen}
            </Button>
          </p>
        ))}
      </div>
    </div>
  );
}
