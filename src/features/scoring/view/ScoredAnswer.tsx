import { type KeyboardEvent, useState, useTransition } from "react";
import { v7 } from "uuid";
import { sayProblem } from "@/client/notices";
import { MathText } from "@/ui/primitives/MathText";
import { rateAnswerAction } from "../actions";
import type { AnswerToScore, PartToScore } from "../types";

/** One answer with its points; they are kept as soon as every criterion has some. */
export function ScoredAnswer({
  answer,
  part,
  title,
  done,
  goOn,
}: {
  readonly answer: AnswerToScore;
  readonly part: PartToScore;
  readonly title: string;
  readonly done: () => void;
  readonly goOn: () => void;
}) {
  const { criteria } = part;
  const [points, setPoints] = useState<readonly (number | null)[]>(answer.points ?? criteria.map(() => null));
  const [kept, setKept] = useState(answer.points);
  const [by, setBy] = useState(answer.by);
  const [busy, start] = useTransition();
  const give = (place: number, worth: number) => {
    if (busy || worth >= (criteria[place]?.levels.length ?? 0)) return;
    const next = points.with(place, worth);
    setPoints(next);
    const all = next.filter((one) => one !== null);
    if (all.length < criteria.length) return;
    start(async () => {
      const key = v7();
      const result = await rateAnswerAction({ key, answer: answer.serial, part: part.part, points: all });
      if (!result.ok) {
        setPoints(kept ?? criteria.map(() => null));
        sayProblem(result.message);
        return;
      }
      setKept(result.data.points);
      setBy(null);
      done();
    });
  };
  const pressed = (event: KeyboardEvent, place: number) => {
    if (/^\d$/.test(event.key)) {
      event.preventDefault();
      give(place, Number(event.key));
    }
    if (event.key === "Enter") {
      event.preventDefault();
      goOn();
    }
  };
  const most = criteria.reduce((sum, { levels }) => sum + levels.length - 1, 0);
  return (
    <li data-answer={answer.serial} className="border-hair border-t pt-3">
      <p className="flex flex-wrap items-baseline justify-between gap-x-4 text-[15px]">
        <b className="text-[17px]" data-name>
          {title}
        </b>
        <span className="text-mute" role="status">
          {busy
            ? "Keeping…"
            : kept
              ? `${kept.reduce((sum, one) => sum + one, 0)} of ${most} points${by ? `, by ${by}` : ""}`
              : `handed in ${answer.given}`}
        </span>
      </p>
      {answer.ownQuestion === null ? null : (
        <p className="text-mute text-[15px] whitespace-pre-line">
          Asked with other numbers: <MathText text={answer.ownQuestion} />
        </p>
      )}
      <p className="font-reading mt-1 mb-2 max-w-[70ch] text-[18px] whitespace-pre-line">{answer.text}</p>
      {criteria.map(({ id, name, levels }, place) => (
        <fieldset key={id} className="mb-2" onKeyDown={(event) => pressed(event, place)}>
          <legend className="text-[15px]">{name === "" ? "The answer as a whole" : <MathText text={name} />}</legend>
          <div
            className="mt-1 grid gap-1.5"
            style={{ gridTemplateColumns: `repeat(${levels.length}, minmax(0, 1fr))` }}
          >
            {levels.map((words, worth) => (
              <label
                key={worth}
                className={`flex cursor-pointer items-baseline gap-1.5 border-[1.5px] px-2 py-1 text-[14px] leading-snug ${
                  points[place] === worth ? "border-ink bg-bank" : "border-hair"
                }`}
              >
                <input
                  type="radio"
                  name={`${answer.serial} ${id}`}
                  checked={points[place] === worth}
                  onChange={() => give(place, worth)}
                />
                <span>
                  <b className="tabular-nums">{worth}</b> <MathText text={words} />
                </span>
              </label>
            ))}
          </div>
        </fieldset>
      ))}
    </li>
  );
}
