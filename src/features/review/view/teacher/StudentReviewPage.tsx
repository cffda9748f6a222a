"use client";
import { format, parseISO } from "date-fns";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { PrintButton } from "@/ui/layout/PrintButton";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { changeReviewSettingsAction } from "../../actions";
import type { StudentReviewSkill, StudentReviewView } from "../../types";
import { ChosenBar } from "./ChosenBar";
import { PlacingDialogs } from "./PlacingDialogs";
import { ReviewSentence } from "./ReviewSentence";
import { compared, type Sort, SortHead } from "./SortHead";
import { usePlacing } from "./usePlacing";

type Column = "name" | "recall" | "met" | "accuracy" | "entered" | "place";

const VALUE: Readonly<Record<Column, (skill: StudentReviewSkill) => string | number | null>> = {
  name: ({ name }) => name,
  recall: ({ recall }) => recall,
  met: ({ daysSinceMet }) => daysSinceMet,
  accuracy: ({ tries, right }) => (tries === 0 ? null : right / tries),
  entered: ({ entered }) => entered,
  place: ({ place }) => place,
};

const percent = (share: number) => Math.round(share * 100);

/** What one student keeps: settings of their own, each skill with its memory, to be taken in, rested or taken out for them alone. */
export function StudentReviewPage({ view, base }: { readonly view: StudentReviewView; readonly base: string }) {
  const { classId, studentId } = view;
  const router = useRouter();
  const run = useRun(undoAction);
  const placing = usePlacing({ classId, studentId });
  const [taking, setTaking] = useState(false);
  const [sort, setSort] = useState<Sort<Column>>({ by: "recall", down: false });
  const shown = [...view.skills].sort((x, y) => {
    const order = compared(VALUE[sort.by](x), VALUE[sort.by](y));
    return (sort.down ? -order : order) || x.name.localeCompare(y.name);
  });
  const head = { sort, set: setSort };
  return (
    <div className="px-5 py-4">
      <PageHead title={`Review of ${view.name}`} sub={summary(view)}>
        <PrintButton>Print</PrintButton>
        <ButtonLink href={`${base}/work/review?class=${classId}`}>To the class</ButtonLink>
      </PageHead>
      <ReviewSentence classId={classId} studentId={studentId} who={view.name} on={view.on} settings={view.settings} />
      {view.differs ? (
        <p className="text-mute mt-1 text-[15px]">
          Settings of their own.{" "}
          <Button
            look="quiet"
            className="px-0!"
            disabled={run.busy}
            onClick={() =>
              run(
                () => changeReviewSettingsAction({ classId, studentId, asTheClass: true }),
                `${view.name} reviews as the class does.`,
                () => router.refresh(),
              )
            }
          >
            As the class
          </Button>
        </p>
      ) : null}
      <section aria-labelledby="skills" className="mt-6">
        <div className="flex flex-wrap items-baseline gap-4">
          <h2 id="skills" className="font-serif text-[20px] font-medium">
            Skills
          </h2>
          <span className="no-print ml-auto">
            <Button onClick={() => setTaking(true)}>Take skills in</Button>
          </span>
        </div>
        {shown.length === 0 ? (
          <p className="text-mute mt-2 text-[15px]">Nothing is in this review yet.</p>
        ) : (
          <table className="mt-1 w-full max-w-[72rem] text-[14px]">
            <caption className="sr-only">Skills in the review of {view.name}</caption>
            <thead className="text-mute">
              <tr>
                <th className="no-print w-7 font-normal">
                  <span className="sr-only">Choose</span>
                </th>
                <SortHead by="name" {...head}>
                  Skill
                </SortHead>
                <SortHead by="recall" {...head}>
                  remembered today
                </SortHead>
                <SortHead by="met" {...head}>
                  days since met
                </SortHead>
                <SortHead by="accuracy" {...head}>
                  right at first
                </SortHead>
                <SortHead by="entered" {...head}>
                  since
                </SortHead>
                <SortHead by="place" {...head}>
                  stands
                </SortHead>
              </tr>
            </thead>
            <tbody>
              {shown.map((skill) => (
                <tr key={skill.skillId} className="border-hair border-t">
                  <td className="no-print py-1">
                    <input
                      type="checkbox"
                      className="accent-clay"
                      aria-label={`Choose ${skill.name}`}
                      checked={placing.chosen.has(skill.skillId)}
                      onChange={() => {
                        const next = new Set(placing.chosen);
                        if (!next.delete(skill.skillId)) next.add(skill.skillId);
                        placing.setChosen(next);
                      }}
                    />
                  </td>
                  <th scope="row" className="py-1 pr-4 text-left font-normal">
                    {skill.name} <span className="text-mute">{skill.strand}</span>
                  </th>
                  <td className="pr-4 tabular-nums">
                    {skill.recall === null ? (
                      <span className="text-mute">not mastered yet</span>
                    ) : (
                      `${percent(skill.recall)} %`
                    )}
                  </td>
                  <td className="pr-4 tabular-nums">{skill.daysSinceMet}</td>
                  <td className="pr-4 tabular-nums">{skill.tries === 0 ? "–" : `${skill.right} of ${skill.tries}`}</td>
                  <td className="text-mute pr-4 whitespace-nowrap">{format(parseISO(skill.entered), "d MMM")}</td>
                  <td>{standing(skill)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        <ChosenBar placing={placing} skills={view.skills} />
      </section>
      <PlacingDialogs
        classId={classId}
        studentId={studentId}
        placing={placing}
        outside={view.outside}
        taking={taking}
        endTaking={() => setTaking(false)}
      />
    </div>
  );
}

function summary({ skills, remembered, needed, given, settings }: StudentReviewView): string {
  const asked = skills.filter(({ place }) => place === "in").length;
  if (remembered === null) return "Nothing is in review yet.";
  const minutes = `${Math.round(needed)} min a week would keep all of it above ${percent(settings.wantedRecall)} %, ${Math.round(given)} are given`;
  return `${asked} ${asked === 1 ? "skill" : "skills"} in review; ${percent(remembered)} % would be remembered today. ${minutes}.`;
}

function standing({ place, due, chosen }: StudentReviewSkill): string {
  const by = chosen === "student" ? ", for this student" : chosen === "class" ? ", for the class" : "";
  if (place === "resting") return `rests${by}`;
  if (place === "dropped") return `taken out${by}`;
  return due ? "due today" : chosen === null ? "" : `taken in${by}`;
}
