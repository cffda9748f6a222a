"use client";
import { useRouter } from "next/navigation";
import { v7 } from "uuid";
import { usePullList } from "@/client/pull-list/pullList";
import { useRun } from "@/client/useRun";
import { groupBy } from "@/core/collections/groupBy";
import { TALK_REASONS, type TalkReason } from "@/core/model/talk";
import { undoAction } from "@/server/history/undoAction";
import { SheetLink } from "@/ui/layout/SheetLink";
import { Button } from "@/ui/primitives/Button";
import { MathText } from "@/ui/primitives/MathText";
import { TALK_WORDS } from "@/words/staff/talkWords";
import { noteTalkAction } from "../../actions";
import type { TalkStudent, TalkView } from "../../talkTypes";

/** The answers, those that are the same together, each with its students; beside each name why it went wrong, noted in one move. */
export function TalkAnswers({
  view,
  faceKey,
  choose,
}: {
  readonly view: TalkView;
  readonly faceKey: string;
  readonly choose: (faceKey: string) => void;
}) {
  const router = useRouter();
  const run = useRun(undoAction);
  const pull = usePullList();
  const answers = [...groupBy(view.students, ({ given, right }) => `${right} ${given}`).values()].sort(
    ([x], [y]) => Number(x?.right) - Number(y?.right),
  );
  const note = (students: readonly TalkStudent[], reason: TalkReason) =>
    run(
      () =>
        noteTalkAction({
          notes: students.map(({ id }) => ({ id: v7(), studentId: id })),
          reason,
          ...view.subject,
        }),
      students.length === 1
        ? `Noted: ${TALK_WORDS[reason]}.`
        : `Noted for ${students.length} students: ${TALK_WORDS[reason]}.`,
      () => router.refresh(),
    );
  const noted = TALK_REASONS.map((reason) => ({
    reason,
    students: view.students.filter((student) => student.noted === reason),
  })).filter(({ students }) => students.length > 0);
  return (
    <section aria-label="Their answers">
      <ul>
        {answers.map((students) => {
          const [first] = students as [TalkStudent];
          return (
            <li key={`${first.right} ${first.given}`} className="border-ink border-t-2 pt-1.5 pb-3">
              <p className="text-[22px] leading-snug">
                <span className="text-mute mr-2 text-[16px]">{students.length} ×</span>
                <b className="font-reading">{first.given === "" ? "left blank" : <MathText text={first.given} />}</b>
                {first.right ? <span className="text-mute ml-2 text-[16px]">right</span> : null}
              </p>
              {first.misconception ? <p className="text-clay text-[15px]">{first.misconception}</p> : null}
              <ul className="mt-0.5">
                {students.map((student) => (
                  <Row
                    key={student.id}
                    student={student}
                    shown={view.faces.length > 1 && student.faceKey === faceKey}
                    choose={view.faces.length > 1 ? () => choose(student.faceKey) : null}
                    busy={run.busy}
                    note={(reason) => note([student], reason)}
                  />
                ))}
              </ul>
            </li>
          );
        })}
      </ul>
      {noted.length > 0 ? (
        <div className="no-print no-projector border-hair border-t pt-2 text-[15px]">
          <h2 className="font-bold">What can follow</h2>
          <div className="mt-1 flex flex-wrap gap-2">
            {noted.map(({ reason, students }) => (
              <Button
                key={reason}
                onClick={() => pull.add(students.map(({ id, name }) => ({ id, name, skillId: view.subject.skillId })))}
              >
                Pull the {students.length} with {TALK_WORDS[reason]}
              </Button>
            ))}
          </div>
        </div>
      ) : null}
    </section>
  );
}

function Row(props: {
  readonly student: TalkStudent;
  readonly shown: boolean;
  readonly choose: (() => void) | null;
  readonly busy: boolean;
  readonly note: (reason: TalkReason) => void;
}) {
  const { student, shown, choose, busy, note } = props;
  return (
    <li className="flex flex-wrap items-baseline gap-x-3 py-0.5 text-[15px]">
      <SheetLink id={student.id} className={`min-w-32 ${shown ? "font-bold" : ""}`}>
        {student.name}
      </SheetLink>
      {choose && !shown ? (
        <Button look="quiet" className="no-print min-h-0! px-0! py-0! text-[14px]!" onClick={choose}>
          show theirs
        </Button>
      ) : null}
      <span className="text-mute text-[14px]">
        {student.seconds === null ? "" : `${student.seconds} s`}
        {student.hints > 0 ? `, ${student.hints} ${student.hints === 1 ? "hint" : "hints"}` : ""}
        {student.when ? `, ${student.when}` : ""}
      </span>
      <fieldset className="no-print no-projector ml-auto flex flex-wrap gap-x-1">
        <legend className="sr-only">Why it went wrong for {student.name}</legend>
        {TALK_REASONS.map((reason) => (
          <button
            key={reason}
            type="button"
            disabled={busy}
            aria-pressed={student.noted === reason}
            className={`border-[1.5px] px-1.5 text-[14px] ${student.noted === reason ? "bg-ink text-paper border-ink" : "border-hair hover:border-ink"}`}
            onClick={() => note(reason)}
          >
            {TALK_WORDS[reason]}
          </button>
        ))}
      </fieldset>
      {student.before.length > 0 ? (
        <p className="no-projector text-mute w-full text-[13px]">
          Noted before:{" "}
          {student.before
            .map(({ reason, times }) => `${TALK_WORDS[reason]}${times > 1 ? ` ${times} times` : ""}`)
            .join(", ")}
        </p>
      ) : null}
    </li>
  );
}
