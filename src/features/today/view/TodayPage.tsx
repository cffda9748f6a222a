import { ButtonLink } from "@/ui/primitives/Button";
import { BANDS, type Band, type PutOffLine, type ShownLine, type TodayView } from "../types";
import { type CloseAction, Done } from "./Done";
import { LetIn, type LetInAction } from "./LetIn";
import { PullThem } from "./PullThem";
import { BringBack, PutOff } from "./PutOff";

interface Deeds {
  readonly letIn: LetInAction;
  readonly close: CloseAction;
}

/** What needs the teacher, the most urgent first; what was put off stands folded at the foot. */
export function TodayPage({
  name,
  day,
  view,
  ...deeds
}: { readonly name: string; readonly day: string; readonly view: TodayView } & Deeds) {
  const of = (band: Band) => view.lines.filter((line) => line.band === band);
  const wanting = of("now").length + of("today").length;
  return (
    <div className="mx-auto max-w-4xl px-5 py-6">
      <h1 className="font-serif text-[26px] leading-tight font-medium">{day}</h1>
      <p className="text-mute text-[16px]">
        {wanting === 0
          ? `All is well, ${name}. Nothing is waiting for you.`
          : `${wanting === 1 ? "One thing wants" : `${wanting} things want`} you today, ${name}.`}
      </p>
      {BANDS.map((band) => (of(band).length > 0 ? <Lines key={band} band={band} lines={of(band)} {...deeds} /> : null))}
      {view.putOff.length > 0 ? <PutOffLines lines={view.putOff} /> : null}
    </div>
  );
}

const NAMES: Readonly<Record<Band, string>> = { now: "Now", today: "Before the day is over", week: "In these days" };

function Lines({ band, lines, ...deeds }: { readonly band: Band; readonly lines: readonly ShownLine[] } & Deeds) {
  return (
    <section aria-labelledby={`band-${band}`} className="mt-5">
      <h2 id={`band-${band}`} className={`pb-1 text-[15px] font-bold ${band === "now" ? "text-clay" : "text-mute"}`}>
        {NAMES[band]}
      </h2>
      <ol>
        {lines.map((line) => (
          <li
            key={line.key}
            className="border-hair grid grid-cols-[6.5rem_minmax(0,1fr)_auto] items-start gap-5 border-t py-3"
          >
            <span className="text-mute pt-0.5 text-[15px]">{line.station}</span>
            <span>
              <b className={`block text-[17px] leading-snug font-semibold ${band === "now" ? "text-clay" : ""}`}>
                {line.what}
              </b>
              <span className="text-[15px]" data-name={line.names ? "sentence" : undefined}>
                {line.why}
              </span>
            </span>
            <span className="flex gap-2">
              {line.pointerId ? <Done pointerId={line.pointerId} close={deeds.close} /> : null}
              {line.pull ? <PullThem {...line.pull} /> : null}
              {line.letIn ? (
                <LetIn studentIds={line.letIn} label={line.action} letIn={deeds.letIn} />
              ) : (
                <ButtonLink look={band === "week" ? "plain" : "main"} href={line.href}>
                  {line.action}
                </ButtonLink>
              )}
              <PutOff line={line} />
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}

function PutOffLines({ lines }: { readonly lines: readonly PutOffLine[] }) {
  return (
    <details className="no-print mt-6">
      <summary className="text-mute cursor-pointer text-[15px]">
        {lines.length === 1 ? "1 line is put off" : `${lines.length} lines are put off`}
      </summary>
      <ul>
        {lines.map(({ key, what, untilWords }) => (
          <li
            key={key}
            className="border-hair grid grid-cols-[minmax(0,1fr)_12rem_auto] items-baseline gap-5 border-t py-1.5 text-[15px]"
          >
            <span>{what}</span>
            <span className="text-mute">{untilWords === null ? "until something changes" : `until ${untilWords}`}</span>
            <BringBack lineKey={key} />
          </li>
        ))}
      </ul>
    </details>
  );
}
