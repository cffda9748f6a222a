"use client";
import { useRouter } from "next/navigation";
import { useRun } from "@/client/useRun";
import type { Entering, OwnReviewSettings, ReviewSettings } from "@/core/model/reviewSettings";
import { undoAction } from "@/server/history/undoAction";
import { Button } from "@/ui/primitives/Button";
import { Choices } from "@/ui/primitives/Choices";
import { Problem } from "@/ui/primitives/Field";
import { WordEdit } from "@/ui/primitives/WordEdit";
import { changeReviewSettingsAction } from "../../actions";

const MINUTES = [2, 3, 5, 7, 10, 12, 15, 20] as const;
const RECALLS = [0.8, 0.85, 0.9, 0.93, 0.95] as const;
const TARGETS = [0.75, 0.8, 0.85, 0.9, 0.95] as const;
const ENTERING_WORDS: Readonly<Record<Entering, string>> = {
  mastered: "as soon as it is mastered",
  chosen: "when I take it in",
};
const percent = (share: number) => `${Math.round(share * 100)} %`;

/** How review goes, read and edited as a sentence: of a class, or of one student in it. */
export function ReviewSentence(props: {
  readonly classId: string;
  /** Null for the whole class. */
  readonly studentId: string | null;
  /** Who it is about, as the sentence begins. */
  readonly who: string;
  readonly on: boolean;
  readonly settings: ReviewSettings;
}) {
  const { classId, studentId, who, on, settings } = props;
  const router = useRouter();
  const run = useRun(undoAction, true);
  const keep = (said: OwnReviewSettings & { readonly on?: boolean }, words: string) =>
    run(
      () => changeReviewSettingsAction({ classId, studentId, ...said }),
      words,
      () => router.refresh(),
    );
  if (!on)
    return (
      <div>
        <p className="flex flex-wrap items-center gap-3 text-[17px]">
          {who} does not review what was learned.
          <Button
            look="main"
            disabled={run.busy}
            onClick={() => keep({ on: true }, "What was learned comes back daily.")}
          >
            Review daily
          </Button>
        </p>
        <p className="text-mute mt-1 max-w-[46rem] text-[15px]">
          Each student gets a few items a day of what they mastered before, just before it would be forgotten. What was
          taken in, rests or was taken out stays as it was, however long review is off.
        </p>
        <Problem text={run.problem} />
      </div>
    );
  const { minutesADay, entering, wantedRecall, target } = settings;
  return (
    <div>
      <p className="max-w-[62rem] text-[17px] leading-8">
        {who} reviews for{" "}
        <WordEdit word={`${minutesADay} min`} label="Minutes a day">
          <Choices
            name="minutes"
            value={String(minutesADay)}
            of={MINUTES.map((one) => [String(one), `${one} min a day`] as const)}
            set={(one) => keep({ minutesADay: Number(one) }, `Review takes ${one} min a day.`)}
          />
        </WordEdit>{" "}
        a day. A skill comes in{" "}
        <WordEdit word={ENTERING_WORDS[entering]} label="How skills come in">
          <Choices
            name="entering"
            value={entering}
            of={Object.entries(ENTERING_WORDS) as [Entering, string][]}
            set={(one) => keep({ entering: one }, `A skill comes in ${ENTERING_WORDS[one]}.`)}
          />
        </WordEdit>
        , and is asked again when its chance of recall has fallen to{" "}
        <WordEdit word={percent(wantedRecall)} label="Recall at which a skill is asked again">
          <Choices
            name="recall"
            value={String(wantedRecall)}
            of={RECALLS.map((one) => [String(one), `${percent(one)}${one === 0.9 ? ", usual" : ""}`] as const)}
            set={(one) => keep({ wantedRecall: Number(one) }, `Asked again at ${percent(Number(one))}.`)}
          />
        </WordEdit>
        . We aim for{" "}
        <WordEdit word={`${percent(target)} remembered`} label="Aim">
          <Choices
            name="target"
            value={String(target)}
            of={TARGETS.map((one) => [String(one), `${percent(one)} remembered`] as const)}
            set={(one) => keep({ target: Number(one) }, `The aim is ${percent(Number(one))} remembered.`)}
          />
        </WordEdit>
        .{" "}
        <Button
          look="quiet"
          className="px-0!"
          onClick={() => keep({ on: false }, "Review is switched off. What was shown, and what is taken in, is kept.")}
        >
          Switch off
        </Button>
      </p>
      <Problem text={run.problem} />
    </div>
  );
}
