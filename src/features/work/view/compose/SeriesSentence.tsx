"use client";
import { seriesDays } from "@/core/work/seriesDays";
import { Choices } from "@/ui/primitives/Choices";
import { WordEdit } from "@/ui/primitives/WordEdit";
import { dayWords } from "@/words/staff/dayWords";
import { dueWords, rhythmWords, weekdaysWords } from "../series/seriesWords";
import type { Change, Composition, SeriesChoice } from "./composition";
import { BOX, LABEL } from "./look";
import { NumberBox } from "./NumberBox";

const WEEKDAYS = ["Mon", "Tue", "Wed", "Thu", "Fri"];
const MOST_NAMED = 4;

/** The rhythm of a series as sentences, and the days that come of it. */
export function SeriesSentence({
  holidays,
  series,
  composition,
  change,
}: {
  readonly holidays: readonly number[];
  readonly series: SeriesChoice;
  readonly composition: Composition;
  readonly change: Change;
}) {
  const set = (values: Partial<SeriesChoice>) =>
    change((before) => (before.series ? { ...before, series: { ...before.series, ...values } } : before));
  const toggle = (weekday: number) =>
    set({
      weekdays: series.weekdays.includes(weekday)
        ? series.weekdays.filter((one) => one !== weekday)
        : [...series.weekdays, weekday].sort(),
    });
  const days = seriesDays(
    { ...series, source: { by: "skills", skillIds: [] }, items: 1 },
    { fromDay: composition.opensDay, toDay: series.lastDay },
    { holidays: new Set(holidays) },
  );
  const moved = days.filter(({ insteadOf }) => insteadOf !== null);
  return (
    <section className="text-[15px] leading-relaxed">
      <h2 className={LABEL}>The series</h2>
      <p>
        On{" "}
        <WordEdit label="Weekdays" word={weekdaysWords(series.weekdays)}>
          <fieldset className="flex gap-4">
            <legend className="mb-1">Given on</legend>
            {WEEKDAYS.map((name, place) => (
              <label key={name} className="flex items-center gap-1.5">
                <input
                  type="checkbox"
                  className="accent-ink"
                  checked={series.weekdays.includes(place + 1)}
                  onChange={() => toggle(place + 1)}
                />
                <span>{name}</span>
              </label>
            ))}
          </fieldset>
        </WordEdit>
        ,{" "}
        <WordEdit label="Rhythm" word={rhythmWords(series.everyWeeks)}>
          <p className="flex items-center gap-2">
            Every
            <NumberBox
              label="Weeks"
              value={series.everyWeeks}
              min={1}
              max={8}
              set={(everyWeeks) => set({ everyWeeks })}
            />
            weeks
          </p>
        </WordEdit>
        , from{" "}
        <WordEdit label="First day" word={dayWords(composition.opensDay)}>
          <input
            type="date"
            aria-label="First day"
            className={BOX}
            value={composition.opensDay}
            onChange={(event) => change((before) => ({ ...before, opensDay: event.target.value || before.opensDay }))}
          />
        </WordEdit>{" "}
        to{" "}
        <WordEdit label="Last day" word={dayWords(series.lastDay)}>
          <input
            type="date"
            aria-label="Last day"
            className={BOX}
            min={composition.opensDay}
            value={series.lastDay}
            onChange={(event) => set({ lastDay: event.target.value || series.lastDay })}
          />
        </WordEdit>
        , on{" "}
        <WordEdit
          label="Skills"
          word={
            series.planWeeks === null
              ? "the skills ticked here"
              : `what the plan taught in the last ${series.planWeeks} weeks`
          }
        >
          <Choices
            name="source"
            value={series.planWeeks === null ? "ticked" : "plan"}
            of={[
              ["ticked", "the skills ticked here, always the same"],
              ["plan", "what the class’s plan taught in the weeks before each day"],
            ]}
            set={(value) => set({ planWeeks: value === "plan" ? (series.planWeeks ?? 2) : null })}
          />
          {series.planWeeks === null ? null : (
            <p className="mt-2 flex items-center gap-2">
              Weeks to look back
              <NumberBox
                label="Weeks back"
                value={series.planWeeks}
                min={1}
                max={20}
                set={(planWeeks) => set({ planWeeks })}
              />
            </p>
          )}
        </WordEdit>
        ; due{" "}
        <WordEdit label="Due" word={dueWords(series.dueAfter)}>
          <p className="flex items-center gap-2">
            School days after it is given
            <NumberBox
              label="Days until due"
              value={series.dueAfter}
              min={0}
              max={20}
              set={(dueAfter) => set({ dueAfter })}
            />
          </p>
        </WordEdit>
        . Where a day has no school, it is given{" "}
        <WordEdit
          label="Days without school"
          word={series.onHoliday === "next" ? "on the next school day of the week" : "not at all"}
        >
          <Choices
            name="holiday"
            value={series.onHoliday}
            of={[
              ["next", "on the next school day of the week"],
              ["skip", "not at all"],
            ]}
            set={(onHoliday) => set({ onHoliday })}
          />
        </WordEdit>
        .
      </p>
      <p className="text-mute mt-2 text-[14px]" aria-live="polite">
        {days.length === 0
          ? "None of these days is a school day."
          : `${days.length} pieces: ${days
              .slice(0, MOST_NAMED)
              .map(({ day }) => dayWords(day).replace(/ \d{4}$/, ""))
              .join(", ")}${days.length > MOST_NAMED ? " and so on" : ""}.`}
        {moved.length > 0
          ? ` ${moved.map(({ day, insteadOf }) => `${dayWords(day).replace(/ \d{4}$/, "")} instead of ${dayWords(insteadOf ?? day).replace(/ \d{4}$/, "")}`).join(", ")}.`
          : ""}{" "}
        Each piece comes by itself on its day, to everybody who is in the class then.
      </p>
    </section>
  );
}
