"use client";
import { CERTAINTIES, type PracticeEnd } from "@/core/model/work";
import { fewestItems, practiceRule } from "@/core/work/endRule";
import type { Change } from "./composition";
import { type Composition, isRepeatable, isTest, type Made } from "./composition";
import { AMOUNT_NOTE, CONTRAST_NOTE, DEPTH_NOTE, NET_NOTE, PICKED_NOTE, PRACTICE_NOTE, RUN_NOTE, SURE } from "./ends";
import { HowOften } from "./HowOften";
import { BOX, LABEL } from "./look";
import { NumberBox } from "./NumberBox";
import { RulesSentence } from "./RulesSentence";
import { SeriesSentence } from "./SeriesSentence";
import { seriesOf } from "./seriesChoice";
import { WorkText } from "./WorkText";

/** What students read, when the work opens and is due, how it ends, and by which rules. */
export function WhenAndHow({
  today,
  holidays,
  composition,
  change,
  isPicked,
}: {
  readonly today: string;
  /** As day numbers. */
  readonly holidays: readonly number[];
  readonly composition: Composition;
  readonly change: Change;
  /** The items were picked by hand: it ends when they are done. */
  readonly isPicked: boolean;
}) {
  const { made, title, instructions, opensDay, dueDay } = composition;
  const series = seriesOf(composition);
  const set = (values: Partial<Composition>) => change((before) => ({ ...before, ...values }));
  return (
    <div className="space-y-4">
      <WorkText
        title={title}
        instructions={instructions}
        set={(values) => set(values.title === undefined ? values : { ...values, titleIsOwn: true })}
      />
      {!isPicked && isRepeatable(made) ? (
        <HowOften holidays={holidays} composition={composition} change={change} />
      ) : null}
      {series ? (
        <SeriesSentence holidays={holidays} series={series} composition={composition} change={change} />
      ) : (
        <div className="grid grid-cols-2 gap-3">
          <label className="block">
            <span className={LABEL}>Opens</span>
            <input
              type="date"
              className={`${BOX} w-full`}
              min={today}
              required
              value={opensDay}
              onChange={(event) => set({ opensDay: event.target.value })}
            />
          </label>
          <label className="block">
            <span className={LABEL}>Due, 20:00</span>
            <input
              type="date"
              className={`${BOX} w-full`}
              min={opensDay}
              required
              value={dueDay}
              onChange={(event) => set({ dueDay: event.target.value })}
            />
          </label>
        </div>
      )}
      {isPicked || isTest(made) || ENDS_BY_ITSELF.includes(made) ? null : (
        <HowItEnds composition={composition} set={set} />
      )}
      {isPicked ? <p className="text-mute text-[14px]">{PICKED_NOTE}</p> : null}
      {series ? null : (
        <RulesSentence
          rules={composition.rules}
          set={(values) => change((before) => ({ ...before, rules: { ...before.rules, ...values } }))}
          dueDay={dueDay}
          tests={made === "pair" ? "pair" : isTest(made) ? "one" : "none"}
        />
      )}
    </div>
  );
}

/** What ends as soon as it is clear. */
const ENDS_BY_ITSELF: readonly Made[] = ["diagnostic", "sequential", "lesson"];

const ENDS: Readonly<Record<PracticeEnd["by"], PracticeEnd>> = {
  sure: { by: "sure" },
  run: { by: "run", right: 5, of: 5 },
  net: { by: "net", target: 8, penalty: 1 },
};

function HowItEnds({
  composition: { made, skillIds, items, certainty, end },
  set,
}: {
  readonly composition: Composition;
  readonly set: (values: Partial<Composition>) => void;
}) {
  const isWhenSure = made === "practice";
  const fewest = fewestItems(practiceRule({ end, certainty })) * skillIds.length;
  const setEnd = (values: object) => set({ end: { ...end, ...values } as PracticeEnd });
  return (
    <fieldset className="text-[15px]">
      <legend className={LABEL}>How it ends</legend>
      {isWhenSure ? (
        <label className="flex flex-wrap items-center gap-2">
          each skill
          <select
            className={BOX}
            aria-label="How a skill ends"
            value={end.by}
            onChange={(event) => set({ end: ENDS[event.target.value as PracticeEnd["by"]] })}
          >
            <option value="sure">when it is mastered</option>
            <option value="run">after a run of right answers</option>
            <option value="net">at a net score</option>
          </select>
        </label>
      ) : null}
      {isWhenSure && end.by === "run" ? (
        <p className="mt-2 flex items-center gap-2">
          <NumberBox
            label="Right answers"
            value={end.right}
            min={1}
            max={20}
            set={(right) => setEnd({ right, of: Math.max(right, end.of) })}
          />{" "}
          right of the last{" "}
          <NumberBox label="Of the last" value={end.of} min={end.right} max={30} set={(of) => setEnd({ of })} />
        </p>
      ) : null}
      {isWhenSure && end.by === "net" ? (
        <p className="mt-2 flex flex-wrap items-center gap-2">
          at <NumberBox label="Net score" value={end.target} min={1} max={50} set={(target) => setEnd({ target })} />, a
          wrong answer takes off{" "}
          <NumberBox label="Penalty" value={end.penalty} min={0} max={5} set={(penalty) => setEnd({ penalty })} />
        </p>
      ) : null}
      <p className="mt-2 flex items-center gap-2">
        {isWhenSure ? "or after at most" : "after"}
        <NumberBox
          label="Items"
          value={items}
          min={isWhenSure ? 4 : 1}
          max={60}
          set={(value) => set({ items: value })}
        />
        items
        {isWhenSure && fewest > 0 && items >= fewest ? (
          <span className="text-mute text-[14px]">, {timesWords(items / fewest)} the fewest that could end it</span>
        ) : null}
      </p>
      {isWhenSure && end.by === "sure" ? (
        <label className="mt-2 flex items-center gap-2">
          Sure that it is mastered:
          <select
            className={BOX}
            value={certainty}
            onChange={(event) => set({ certainty: event.target.value as Composition["certainty"] })}
          >
            {CERTAINTIES.map((one) => (
              <option key={one} value={one}>
                {SURE[one].choice}
              </option>
            ))}
          </select>
        </label>
      ) : null}
      <p className="text-mute mt-2 text-[14px]">
        {!isWhenSure
          ? made === "depth"
            ? DEPTH_NOTE
            : made === "contrast"
              ? CONTRAST_NOTE
              : AMOUNT_NOTE
          : end.by === "run"
            ? RUN_NOTE
            : end.by === "net"
              ? NET_NOTE
              : `${PRACTICE_NOTE} ${SURE[certainty].note}`}
      </p>
    </fieldset>
  );
}

const timesWords = (times: number): string => `${Math.round(times * 10) / 10} times`;
