"use client";
import { format, parseISO } from "date-fns";
import { useState } from "react";
import { setGoalAction } from "../../actions";
import type { DayOfWork, DaysView } from "../../ownTypes";
import { useStart } from "../useStart";

const WEEKDAYS = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"] as const;

/** The days of the last weeks with what was done on each, and the goal that the student sets for a week. */
export function OwnDays({ days: { weeks, goal: before, daysThisWeek } }: { readonly days: DaysView }) {
  const [goal, setGoal] = useState(before);
  const { busy, problem, start } = useStart();
  const choose = (daysAWeek: number) =>
    start(
      () => setGoalAction({ daysAWeek }),
      ({ daysAWeek: kept }) => setGoal(kept === 0 ? null : kept),
    );
  return (
    <section aria-labelledby="days" className="mt-10">
      <h2 id="days" className="mb-1 font-serif text-[24px]">
        My days
      </h2>
      <p className="mb-3 flex flex-wrap items-center gap-x-2 text-[18px]">
        <label htmlFor="goal">I mean to work on</label>
        <select
          id="goal"
          className="border-hair bg-field min-h-11 border-2 px-2"
          value={goal ?? 0}
          disabled={busy}
          onChange={(event) => choose(Number(event.target.value))}
        >
          <option value={0}>no set number of days</option>
          {[1, 2, 3, 4, 5, 6, 7].map((count) => (
            <option key={count} value={count}>
              {count === 1 ? "1 day" : `${count} days`}
            </option>
          ))}
        </select>
        <span>
          a week.{" "}
          {goal === null
            ? daysThisWeek > 0
              ? `This week so far: ${daysThisWeek}.`
              : ""
            : daysThisWeek >= goal
              ? "Done for this week."
              : `This week: ${daysThisWeek} of ${goal}.`}
        </span>
      </p>
      {problem ? (
        <p role="alert" className="text-clay mb-3 text-[17px]">
          {problem}
        </p>
      ) : null}
      <table className="w-full table-fixed border-collapse text-[15px]">
        <caption className="sr-only">What I did on each day of the last {weeks.length} weeks</caption>
        <thead>
          <tr className="text-mute text-left">
            {WEEKDAYS.map((name) => (
              <th key={name} scope="col" className="px-1.5 py-1 font-normal">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {weeks.map((week) => (
            <tr key={week[0]?.day}>
              {week.map((day) => (
                <Day key={day.day} of={day} />
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Day({ of: { day, minutes, pieces, when } }: { readonly of: DayOfWork }) {
  const worked = minutes > 0 || pieces > 0;
  return (
    <td
      aria-current={when === "today" ? "date" : undefined}
      className={`border-hair h-16 border px-1.5 py-1 align-top leading-tight max-sm:px-0.5 max-sm:text-[13px] ${worked ? "border-b-water border-b-4" : ""} ${when === "today" ? "bg-bank" : ""} ${when === "later" ? "text-mute" : ""}`}
    >
      <span className={when === "today" ? "font-bold" : "text-mute"}>
        {format(parseISO(day), "d")} <span className="max-sm:sr-only">{format(parseISO(day), "MMM")}</span>
      </span>
      {minutes > 0 ? <span className="block whitespace-nowrap tabular-nums">{minutes} min</span> : null}
      {pieces > 0 ? (
        <span className="block whitespace-nowrap">{pieces === 1 ? "1 piece" : `${pieces} pieces`}</span>
      ) : null}
    </td>
  );
}
