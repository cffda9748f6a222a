import { ButtonLink } from "@/ui/primitives/Button";
import type { TodayLine } from "../types";
import { type CloseAction, Done } from "./Done";
import { LetIn, type LetInAction } from "./LetIn";

/** What needs the teacher now, the most urgent first. */
export function TodayPage({
  name,
  day,
  lines,
  letIn,
  close,
}: {
  readonly name: string;
  readonly day: string;
  readonly lines: readonly TodayLine[];
  readonly letIn: LetInAction;
  readonly close: CloseAction;
}) {
  const wanting = lines.filter(({ attention }) => attention).length;
  return (
    <div className="mx-auto max-w-4xl px-5 py-6">
      <h1 className="font-serif text-[26px] leading-tight font-medium">{day}</h1>
      <p className="text-mute mb-5 text-[16px]">
        {wanting === 0
          ? `All is well, ${name}. Nothing is waiting for you.`
          : `${wanting === 1 ? "One thing wants" : `${wanting} things want`} you today, ${name}.`}
      </p>
      <ol>
        {lines.map((line) => (
          <li
            key={line.key}
            className="border-hair grid grid-cols-[6.5rem_minmax(0,1fr)_auto] items-start gap-5 border-t py-3.5"
          >
            <span className="text-mute pt-0.5 text-[15px]">{line.station}</span>
            <span>
              <b className={`block text-[17px] leading-snug font-semibold ${line.attention ? "text-clay" : ""}`}>
                {line.what}
              </b>
              <span className="text-[15px]" data-name={line.names ? "sentence" : undefined}>
                {line.why}
              </span>
            </span>
            {line.letIn ? (
              <LetIn studentIds={line.letIn} label={line.action} letIn={letIn} />
            ) : (
              <span className="flex gap-2">
                {line.pointerId ? <Done pointerId={line.pointerId} close={close} /> : null}
                <ButtonLink look={line.attention ? "main" : "plain"} href={line.href}>
                  {line.action}
                </ButtonLink>
              </span>
            )}
          </li>
        ))}
      </ol>
    </div>
  );
}
