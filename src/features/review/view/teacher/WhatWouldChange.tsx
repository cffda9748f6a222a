"use client";
import { useJson } from "@/client/useJson";
import type { ForecastWeek } from "@/core/review/forecastReview";
import { BeforeAfter } from "@/ui/charts/BeforeAfter";
import { Button } from "@/ui/primitives/Button";
import { Dialog } from "@/ui/primitives/Dialog";
import type { ReviewForecast } from "../../types";

/** What is asked about: skills that would rest, or be taken out. */
export interface Change {
  readonly what: "resting" | "dropped";
  readonly skills: readonly { readonly skillId: string; readonly name: string }[];
}

const percent = (share: number) => Math.round(share * 100);
const COURSES = { before: "as it is", after: "with the change" } as const;

/** What resting or taking out the chosen skills would change, before it is done. */
export function WhatWouldChange(props: {
  readonly classId: string;
  readonly studentId: string | null;
  readonly change: Change;
  readonly busy: boolean;
  readonly close: () => void;
  readonly act: () => void;
}) {
  const { change, classId, studentId } = props;
  const rests = change.what === "resting";
  const search = new URLSearchParams({ class: classId, ...(studentId === null ? {} : { student: studentId }) });
  for (const { skillId } of change.skills) search.append(rests ? "rest" : "drop", skillId);
  const loaded = useJson<ReviewForecast>(`/api/review?${search}`);
  const { length } = change.skills;
  return (
    <Dialog
      open
      onOpenChange={(open) => (open ? null : props.close())}
      title={`What would change if ${length === 1 ? change.skills[0]?.name : `${length} skills`} ${rests ? (length === 1 ? "rests" : "rest") : length === 1 ? "is taken out" : "are taken out"}`}
      wide
    >
      <p className="text-[15px]">
        {rests
          ? "A skill that rests is not asked any more. What was shown in it stays, its memory still counts below, and it comes back at one tap."
          : "A skill that is taken out is not asked any more and counts in none of the figures here. What was shown in it stays in the map."}
        {length > 1 ? ` It is about: ${change.skills.map(({ name }) => name).join("; ")}.` : ""}
      </p>
      {loaded.state === "loading" ? (
        <p role="status" className="text-mute mt-4 min-h-[21rem]">
          Eight weeks are being played through…
        </p>
      ) : loaded.state === "problem" ? (
        <p role="alert" className="border-clay mt-4 border-l-4 pl-3">
          {loaded.message}
        </p>
      ) : (
        <Forecast forecast={loaded.data} rests={rests} />
      )}
      <p className="bg-paper border-hair sticky -bottom-6 -mx-6 mt-4 -mb-6 flex gap-2 border-t px-6 py-3">
        <Button look="main" disabled={props.busy} onClick={props.act}>
          {rests
            ? length === 1
              ? "Let it rest"
              : `Let ${length} rest`
            : length === 1
              ? "Take it out"
              : `Take ${length} out`}
        </Button>
        <Button onClick={props.close}>Leave it as it is</Button>
      </p>
    </Dialog>
  );
}

function Forecast({ forecast, rests }: { readonly forecast: ReviewForecast; readonly rests: boolean }) {
  const { before, after, students, assigned } = forecast;
  const [last, then] = [before?.at(-1), after?.at(-1)];
  if (!before || !last) return <p className="text-mute mt-4">Nothing is in review: nothing would change.</p>;
  return (
    <>
      <p className="mt-3 text-[16px]">{sentence(last, then)}</p>
      {assigned.length > 0 ? (
        <p className="text-mute text-[15px]">
          Assigned at the moment, and stays so: {assigned.map(({ skill, work }) => `${skill} in “${work}”`).join("; ")}.
        </p>
      ) : null}
      <figure className="mt-3">
        <figcaption className="text-mute mb-1 text-[14px]">
          Would be remembered at the end of each week{students > 1 ? `, the mean of ${students} students` : ""}. Dashed:
          as it is; line: with the change; shaded: where four of five courses lie. What another skill exercises anyway
          is not counted in.
        </figcaption>
        <BeforeAfter
          unit="%"
          words={COURSES}
          points={before.map((week, place) => pointOf(week, after?.[place], place))}
        />
      </figure>
      <table className="mt-3 text-[14px]">
        <thead className="text-mute text-left">
          <tr>
            <th className="pr-8 font-normal">After 8 weeks</th>
            <th className="pr-8 text-right font-normal">{COURSES.before}</th>
            <th className="text-right font-normal">{COURSES.after}</th>
          </tr>
        </thead>
        <tbody>
          <Row
            name={`would be remembered${rests ? "" : ", of what is left"}`}
            of={[last, then]}
            words={(week) => band(week.remembered, "%", 100)}
          />
          <Row
            name="minutes a week that keep it, a student"
            of={[last, then]}
            words={(week) => band(week.minutesNeeded, "min")}
          />
          <Row
            name="days between two meetings"
            of={[last, then]}
            words={(week) => (week.daysBetween === null ? "none asked" : band(week.daysBetween, "days"))}
          />
        </tbody>
      </table>
    </>
  );
}

function Row({
  name,
  of: [before, after],
  words,
}: {
  readonly name: string;
  readonly of: readonly [ForecastWeek, ForecastWeek | undefined];
  readonly words: (week: ForecastWeek) => string;
}) {
  return (
    <tr className="border-hair border-t">
      <th scope="row" className="py-0.5 pr-8 text-left font-normal">
        {name}
      </th>
      <td className="pr-8 text-right tabular-nums">{words(before)}</td>
      <td className="text-right tabular-nums">{after ? words(after) : "nothing left"}</td>
    </tr>
  );
}

function band({ expected, low, high }: ForecastWeek["remembered"], unit: string, times = 1): string {
  const [middle, least, most] = [expected, low, high].map((value) => Math.round(value * times));
  return least === most ? `${middle} ${unit}` : `${middle} (${least} to ${most}) ${unit}`;
}

function sentence(before: ForecastWeek, after: ForecastWeek | undefined): string {
  if (!after) return "Then nothing would be in review any more.";
  const [was, will] = [percent(before.remembered.expected), percent(after.remembered.expected)];
  const saved = Math.round(before.minutesNeeded.expected - after.minutesNeeded.expected);
  const share =
    was === will
      ? `About as much would be remembered in eight weeks: ${will} %`
      : `In eight weeks about ${will} % would be remembered, ${was} % without the change`;
  const minutes = saved > 0 ? `; the rest needs ${saved} min a week less` : "";
  return `${share}${minutes}.`;
}

function pointOf(before: ForecastWeek, after: ForecastWeek | undefined, place: number) {
  // Drawn to a tenth, so that the line lies within its band.
  const drawn = (share: number) => Math.round(share * 1000) / 10;
  const bandOf = ({ remembered: { low, high } }: ForecastWeek) => [drawn(low), drawn(high)] as const;
  return {
    at: `week ${place + 1}`,
    before: drawn(before.remembered.expected),
    beforeBand: bandOf(before),
    after: after ? drawn(after.remembered.expected) : null,
    afterBand: after ? bandOf(after) : null,
  };
}
