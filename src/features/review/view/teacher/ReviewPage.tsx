"use client";
import Link from "next/link";
import { useState } from "react";
import { PageHead } from "@/ui/layout/PageHead";
import { PrintButton } from "@/ui/layout/PrintButton";
import { ButtonLink } from "@/ui/primitives/Button";
import type { ClassReviewView } from "../../types";
import { PlacingDialogs } from "./PlacingDialogs";
import { Proposals } from "./Proposals";
import { ReviewSentence } from "./ReviewSentence";
import { ReviewSkills } from "./ReviewSkills";
import { ReviewStudents } from "./ReviewStudents";
import { usePlacing } from "./usePlacing";
import { Working } from "./Working";

/** A class's spaced review: how it goes, whether it works, what could rest, what is in it, and how each student stands. */
export function ReviewPage({
  view,
  others,
  base,
}: {
  readonly view: ClassReviewView;
  /** The classes that are chosen, this one with them. */
  readonly others: readonly { readonly id: string; readonly name: string }[];
  readonly base: string;
}) {
  const { classId, className, on, settings, figures } = view;
  const placing = usePlacing({ classId, studentId: null });
  const [taking, setTaking] = useState(false);
  return (
    <div className="px-5 py-4">
      <PageHead
        title="Spaced review"
        sub="What was learned comes back just before it would be forgotten: the longer it has held, the later."
      >
        <PrintButton>Print</PrintButton>
        <ButtonLink href={`${base}/work`}>To all work</ButtonLink>
      </PageHead>
      {others.length > 1 ? (
        <p className="no-print mb-2 flex flex-wrap gap-x-4 text-[15px]">
          {others.map(({ id, name }) =>
            id === classId ? (
              <b key={id}>{name}</b>
            ) : (
              <Link key={id} className="underline" href={`${base}/work/review?class=${id}`}>
                {name}
              </Link>
            ),
          )}
        </p>
      ) : null}
      <ReviewSentence classId={classId} studentId={null} who={className} on={on} settings={settings} />
      {figures ? (
        <Working figures={figures} settings={settings} times={view.times} weeksBack={view.weeksBack} />
      ) : on ? (
        <p className="text-mute mt-4 max-w-[46rem] text-[15px]">
          {view.students.length === 0
            ? "Nobody is in this class yet. Add students in the roster."
            : settings.entering === "mastered"
              ? "Nobody has mastered anything yet. The first skill that somebody masters comes in by itself; you can take skills in as well."
              : "Nothing was taken in yet. Take in the skills that are to be kept."}
        </p>
      ) : null}
      {on || figures ? (
        <>
          <Proposals proposals={view.proposals} placing={placing} />
          <ReviewSkills
            lines={view.skills}
            placing={placing}
            weeksBack={view.weeksBack}
            takeIn={() => setTaking(true)}
          />
          {view.students.length > 0 ? <ReviewStudents lines={view.students} base={base} classId={classId} /> : null}
        </>
      ) : null}
      <PlacingDialogs
        classId={classId}
        studentId={null}
        placing={placing}
        outside={view.outside}
        taking={taking}
        endTaking={() => setTaking(false)}
      />
    </div>
  );
}
