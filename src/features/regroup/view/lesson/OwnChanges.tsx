"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { useRun } from "@/client/useRun";
import type { OwnParts } from "@/core/model/reteach";
import { undoAction } from "@/server/history/undoAction";
import { Button } from "@/ui/primitives/Button";
import { FormFoot } from "@/ui/primitives/FormFoot";
import { keepOwnReteachAction } from "../../actions";
import type { LessonView } from "../../types";

type PartName = keyof OwnParts;
const LABELS: Readonly<Record<PartName, string>> = {
  show: "What to show",
  ask: "What to ask, a line each",
  together: "One together",
  alone: "One alone",
  exit: "Exit item",
  note: "Note for next time",
};

/** What ships, part by part, as it would be changed. */
function shipped({ plan, steps, talk, approach }: LessonView): Readonly<Record<PartName, string>> {
  const withSteps = approach === "steps" && steps !== null;
  return {
    show: withSteps ? [steps.task, ...steps.steps].join("\n") : approach === "model" ? "" : plan.show,
    ask: (withSteps || approach === "model" ? talk : plan.ask).join("\n"),
    together: `${plan.together.task} (${plan.together.answer})`,
    alone: `${plan.alone.task} (${plan.alone.answer})`,
    exit: plan.exit.task,
    note: "",
  };
}

/** A teacher's own changes to a plan, kept for next time; what is as it ships is not kept. */
export function OwnChanges(props: {
  readonly skillId: string;
  readonly lesson: LessonView;
  readonly done: () => void;
}) {
  const { skillId, lesson, done } = props;
  const router = useRouter();
  const run = useRun(undoAction, true);
  const asShipped = shipped(lesson);
  const [parts, setParts] = useState<OwnParts>(lesson.own.parts);
  const [shared, setShared] = useState(lesson.own.shared);
  const keep = () =>
    run(
      () =>
        keepOwnReteachAction({
          skillId,
          approach: lesson.approach,
          parts: Object.fromEntries(
            Object.entries(parts).map(([name, text]) => [name, text === asShipped[name as PartName] ? "" : text]),
          ),
          shared,
          seenAt: lesson.own.changedAt,
        }),
      "Kept for next time.",
      () => {
        router.refresh();
        done();
      },
    );
  return (
    <form action={keep} className="no-print border-hair mt-3 space-y-2.5 border-t pt-3 text-[15px]">
      {lesson.colleagues.map(({ by, parts: theirs, day }) => (
        <p key={`${by} ${day}`} className="flex flex-wrap items-baseline gap-3">
          <span>
            {by} changed this plan on {day}
            {theirs.note ? `: ${theirs.note}` : "."}
          </span>
          <Button look="quiet" className="px-0!" onClick={() => setParts({ ...parts, ...theirs })}>
            Take it over
          </Button>
        </p>
      ))}
      {(Object.keys(LABELS) as PartName[]).map((name) => (
        <label key={name} className="block">
          {LABELS[name]}
          <textarea
            className="bg-field border-ink mt-1 w-full border-[1.5px] px-2 py-1.5"
            rows={name === "show" || name === "ask" ? 4 : 2}
            maxLength={2000}
            value={parts[name] ?? asShipped[name]}
            onChange={(event) => setParts({ ...parts, [name]: event.target.value })}
          />
        </label>
      ))}
      <label className="flex gap-2">
        <input
          type="checkbox"
          className="accent-clay"
          checked={shared}
          onChange={(event) => setShared(event.target.checked)}
        />
        Colleagues may read and take it over
      </label>
      <Button look="quiet" className="px-0!" onClick={() => setParts({})}>
        Every part as it ships
      </Button>
      <FormFoot problem={run.problem} deed="Keep for next time" disabled={run.busy} close={done} />
    </form>
  );
}
