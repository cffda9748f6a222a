import type { Lesson } from "@/core/model/content";
import { Button } from "@/ui/primitives/Button";
import { MathText } from "@/ui/primitives/MathText";
import { Strips } from "@/ui/primitives/Strips";
import type { SittingState } from "./useSitting";

/** What stands under an item: what was said to the last try, or where an answer is kept, and the way on. */
export function SaidBelow({
  state,
  over,
  lesson,
  reminder,
}: {
  readonly state: SittingState;
  readonly over: boolean;
  readonly lesson: (() => void) | null;
  /** How it goes, where it was learned once and is forgotten; null for work at something new. */
  readonly reminder: Lesson | null;
}) {
  const { said } = state;
  if (said.kind === "nothing") return null;
  const box = "bg-bank border-ink -mx-5 mt-7 border-t-[3px] px-5 pt-5 pb-6 sm:-mx-6 sm:px-6";
  if (said.kind === "message") {
    return (
      <p role="alert" className="border-clay mt-5 border-l-4 pl-3">
        {said.text}
      </p>
    );
  }
  const next = (
    <Button look="main" size="big" data-next className="mt-4" onClick={state.next}>
      Next
    </Button>
  );
  if (said.kind === "kept") {
    return (
      <div className={box}>
        <h2 className="font-serif text-[24px]">{said.where === "device" ? "Kept on this device" : "Not sent yet"}</h2>
        <p className="mt-1 text-[19px]">
          {said.where === "device"
            ? "Your answer can't be sent at the moment. It is safe, and is sent and checked as soon as that works again. You can go on."
            : "Your answer can't be sent at the moment, and this browser can't keep answers. Leave this page open: it is sent as soon as that works again. You can go on."}
        </p>
        {next}
      </div>
    );
  }
  const { feedback } = said;
  const isWrong = feedback.verdict === "wrong" || feedback.verdict === "partly";
  return (
    <div className={box}>
      <h2 className="font-serif text-[24px] leading-tight">
        {feedback.verdict === "right"
          ? feedback.text
          : feedback.verdict === "waiting"
            ? "Handed in"
            : over
              ? "Not quite. Here is how it goes"
              : feedback.verdict === "partly"
                ? "Partly"
                : "Not yet"}
      </h2>
      {feedback.verdict !== "right" ? (
        <p className="mt-2 text-[19px]">
          <MathText text={feedback.text} />
        </p>
      ) : null}
      {feedback.picture.length > 0 ? <Strips rows={feedback.picture} /> : null}
      {feedback.solution ? (
        <p className="mt-2 text-[19px]">
          <MathText text={feedback.solution} />{" "}
          {feedback.answer ? (
            <b className="whitespace-nowrap">
              Answer: <MathText text={feedback.answer} />
            </b>
          ) : null}
        </p>
      ) : null}
      {isWrong && reminder ? (
        <div className="border-water mt-4 border-l-4 pl-4 text-[19px]">
          <p className="font-semibold">To look back: this is how it goes</p>
          <p className="mt-1">
            <MathText text={reminder.idea} />
          </p>
          <p className="mt-1.5 font-semibold">
            <MathText text={reminder.example} />
          </p>
          <ol className="mt-1.5 list-decimal space-y-1 pl-6">
            {reminder.steps.map((step) => (
              <li key={step}>
                <MathText text={step} />
              </li>
            ))}
          </ol>
        </div>
      ) : null}
      {isWrong && lesson ? (
        <Button look="quiet" className="mt-2 -ml-3 text-[19px]!" onClick={lesson}>
          {reminder ? "Read the whole lesson" : "Show me how this works"}
        </Button>
      ) : null}
      {over ? <div>{next}</div> : <p className="mt-2 text-[19px]">You have one more try.</p>}
    </div>
  );
}
