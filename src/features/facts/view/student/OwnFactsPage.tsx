import { format, parseISO } from "date-fns";
import { ButtonLink } from "@/ui/primitives/Button";
import { factsText, familyName } from "@/words/factWords";
import type { FactDayView, OwnFacts } from "../../types";
import { SendFacts } from "./SendFacts";

/** Height of a day of the goal's minutes, in pixels. */
const FULL = 56;

/** A student's own page of number facts: today's goal, what is known by heart, the days of the month. */
export function OwnFactsPage({ facts }: { readonly facts: OwnFacts }) {
  const { today, settings, families } = facts;
  const met = today.inTime >= today.goal;
  const minutes = Math.floor(today.seconds / 60);
  return (
    <main className="font-reading mx-auto max-w-[820px] px-5 py-6 text-[20px] sm:px-12">
      <header className="flex items-baseline justify-between gap-4">
        <h1 className="font-serif text-[30px]">Number facts</h1>
        <a className="underline underline-offset-4" href="/river">
          To my river
        </a>
      </header>
      <SendFacts personId={facts.personId} serverNow={facts.serverNow} />
      <section aria-labelledby="today" className="mt-5">
        <h2 id="today" className="font-serif text-[24px]">
          Today
        </h2>
        <p className="mt-1">
          {met
            ? `${today.inTime} facts in time: your goal of ${today.goal} is met.`
            : `${today.inTime} of ${today.goal} facts in time.`}{" "}
          <span className="text-mute">
            {minutes} of {settings.minutesADay} min
          </span>
        </p>
        <div className="bg-silt mt-2 h-2.5 w-full" aria-hidden="true">
          <i
            className="bg-water block h-full"
            style={{ width: `${Math.min(100, (100 * today.inTime) / today.goal)}%` }}
          />
        </div>
        {today.newlyFluent.length > 0 ? (
          <p className="mt-3">New by heart since yesterday: {factsText(today.newlyFluent)}.</p>
        ) : null}
        <p className="mt-4">
          <ButtonLink look="main" size="big" href="/river/facts/now">
            {facts.begun ? "Go on" : "Begin"}
          </ButtonLink>
        </p>
      </section>
      <section aria-labelledby="known" className="mt-9">
        <h2 id="known" className="mb-1 font-serif text-[24px]">
          What I know by heart
        </h2>
        <p className="text-mute mb-2 text-[17px]">
          A fact is known when it comes at once, again and again, on several days. Lighter: on the way.
        </p>
        <ul className="grid gap-x-10 sm:grid-cols-2">
          {families.map(({ id, known, onTheWay, of }) => (
            <li key={id} className="border-hair flex items-center justify-between gap-4 border-t py-2.5">
              <span>{familyName(id)}</span>
              <span className="flex items-center gap-3">
                <span className="bg-silt flex h-2 w-24" aria-hidden="true">
                  <i className="bg-water block h-full" style={{ width: `${(100 * known) / of}%` }} />
                  <i className="bg-level-1 block h-full" style={{ width: `${(100 * onTheWay) / of}%` }} />
                </span>
                {onTheWay > 0 ? <span className="sr-only">{onTheWay} on the way,</span> : null}
                <span className="text-mute w-24 text-right text-[17px]">
                  {known === of ? "all" : known} of {of}
                </span>
              </span>
            </li>
          ))}
        </ul>
      </section>
      <Month days={facts.days} minutesADay={settings.minutesADay} />
    </main>
  );
}

function Month({ days, minutesADay }: { readonly days: readonly FactDayView[]; readonly minutesADay: number }) {
  const last = days.at(-1);
  if (!last) return null;
  return (
    <section aria-labelledby="month" className="mt-9">
      <h2 id="month" className="mb-3 font-serif text-[24px]">
        {format(parseISO(last.day), "MMMM")}
      </h2>
      <ol className="flex flex-wrap items-end gap-1.5">
        {days.map(({ day, minutes, inTime, goalMet }) => (
          <li key={day} className="flex w-9 flex-col items-center text-[14px]">
            <span className="sr-only">
              {format(parseISO(day), "d MMMM")}: {Math.round(minutes)} min, {inTime} facts in time
              {goalMet ? ", goal met" : ""}
            </span>
            <span aria-hidden="true" className="flex h-15 w-full flex-col justify-end">
              <i
                className={goalMet ? "bg-water block" : "bg-level-0 block"}
                style={{ height: `${Math.min(FULL, (FULL * minutes) / minutesADay)}px` }}
              />
            </span>
            <span aria-hidden="true" className="border-ink w-full border-t text-center">
              {Number(day.slice(8))}
            </span>
          </li>
        ))}
      </ol>
      <p className="text-mute mt-2 text-[17px]">Height: minutes of the day. Blue-green: the day's goal was met.</p>
    </section>
  );
}
