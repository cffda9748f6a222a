import type { ReactNode } from "react";
import type { ReviewSettings } from "@/core/model/reviewSettings";
import { REVIEW_DAYS_A_WEEK } from "@/core/review/usualReview";
import type { ReviewFigures, TimeLine } from "../../types";

const percent = (share: number) => Math.round(share * 100);

const TIME_WORDS: Readonly<Record<TimeLine["kind"], string>> = {
  practice: "practice",
  amount: "items by number",
  check: "checks of a reteach",
  quiz: "tests",
  diagnostic: "finding where to begin",
  sequential: "short checks",
  contrast: "telling apart",
  depth: "at own depth",
  lesson: "lessons",
  paper: "tests on paper",
  review: "review",
  facts: "number facts",
};

/** Whether review does what it is for, figure by figure, each with what is good. */
export function Working({
  figures,
  settings,
  times,
  weeksBack,
}: {
  readonly figures: ReviewFigures;
  readonly settings: ReviewSettings;
  readonly times: readonly TimeLine[];
  readonly weeksBack: number;
}) {
  const { remembered, mastered, skills, needed, given, round, accuracy, fits, short } = figures;
  const own = new Map(times.map((line) => [line.kind, line])).get("review");
  return (
    <section aria-labelledby="working" className="mt-5">
      <h2 id="working" className="font-serif text-[20px] font-medium">
        Is it working?
      </h2>
      <p className="mt-1 max-w-[62rem] text-[16px]">{verdict(figures, settings)}</p>
      <dl className="mt-3 grid max-w-[72rem] grid-cols-3 gap-x-10 gap-y-3 max-md:grid-cols-1">
        <Figure
          name="Would be remembered today"
          value={remembered === null ? "nothing mastered yet" : `${percent(remembered)} %`}
          low={remembered !== null && remembered < settings.target}
        >
          of what was mastered once, {mastered === 1 ? "1 skill" : `${mastered} skills`} of the student in the middle;
          the aim is {percent(settings.target)} %
        </Figure>
        <Figure
          name="Minutes a week"
          value={`${needed < 0.5 ? "under 1" : Math.round(needed)} needed, ${Math.round(given)} given`}
          low={needed > given}
        >
          {short === 0
            ? `enough for everybody to keep each skill above ${percent(settings.wantedRecall)} %`
            : `too few for ${short === 1 ? "1 student" : `${short} students`} to keep each skill above ${percent(settings.wantedRecall)} %`}
        </Figure>
        <Figure
          name="A full round"
          value={`${round.days} ${round.days === 1 ? "day" : "days"}`}
          low={round.days > round.good}
        >
          until each skill has come right again, for the student in the middle; up to {round.good} are good for these
          memories.{" "}
          {round.overdue < 0.5
            ? "Hardly any skill waits too long for its own."
            : `About ${Math.round(round.overdue)} of ${skills} skills ${Math.round(round.overdue) === 1 ? "waits" : "wait"} too long for their own.`}
        </Figure>
        <Figure
          name="Right at the first try"
          low={isLow(figures, settings)}
          value={accuracy === null ? "nothing asked yet" : `${percent(accuracy.share)} %`}
        >
          {accuracy === null
            ? `nobody has reviewed in the last ${weeksBack} weeks`
            : `the mean of the students’ own shares, ${accuracy.answers} tries in ${weeksBack} weeks; about ${percent(settings.wantedRecall)} % is what the spacing is made for`}
        </Figure>
        <Figure
          name="Skills that the minutes keep"
          value={fits === null ? "all" : fits >= skills ? `all ${skills}` : `${fits} of ${skills}`}
        >
          {fits === null
            ? "none needs any time yet"
            : fits >= skills
              ? fits > 3 * skills
                ? "there is room for many more"
                : `there is room for ${fits}`
              : "for the student in the middle"}
        </Figure>
        <Figure name="Share of working time" value={own ? `${percent(own.share)} %` : "0 %"}>
          {times.length === 0
            ? `no work in the last ${weeksBack} weeks`
            : times
                .filter((line) => line !== own)
                .slice(0, 3)
                .map(({ kind, share }) => `${TIME_WORDS[kind]} ${percent(share)} %`)
                .join(", ")}
          {times.length > 1 ? <AllTimes times={times} weeksBack={weeksBack} /> : null}
        </Figure>
      </dl>
    </section>
  );
}

function Figure(props: {
  readonly name: string;
  readonly value: string;
  /** Something has to be done about it. */
  readonly low?: boolean;
  readonly children: ReactNode;
}) {
  return (
    <div className="border-hair border-t pt-1.5">
      <dt className="text-mute text-[14px]">{props.name}</dt>
      <dd>
        <span className={`block font-serif text-[22px] leading-tight ${props.low ? "text-clay" : ""}`}>
          {props.value}
        </span>
        <span className="text-mute text-[14px]">{props.children}</span>
      </dd>
    </div>
  );
}

function AllTimes({ times, weeksBack }: { readonly times: readonly TimeLine[]; readonly weeksBack: number }) {
  return (
    <details>
      <summary className="cursor-pointer">all kinds of work, with what was right</summary>
      <table className="mt-1 text-[14px]">
        <caption className="sr-only">Working time of the class in the last {weeksBack} weeks</caption>
        <thead className="text-left">
          <tr>
            <th className="pr-4 font-normal">Kind</th>
            <th className="pr-4 text-right font-normal">minutes</th>
            <th className="pr-4 text-right font-normal">of the time</th>
            <th className="text-right font-normal">right at first</th>
          </tr>
        </thead>
        <tbody>
          {times.map(({ kind, minutes, share, right }) => (
            <tr key={kind} className="border-hair border-t">
              <td className="pr-4">{TIME_WORDS[kind]}</td>
              <td className="pr-4 text-right tabular-nums">{Math.round(minutes)}</td>
              <td className="pr-4 text-right tabular-nums">{percent(share)} %</td>
              <td className="text-right tabular-nums">{right === null ? "–" : `${percent(right)} %`}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}

/** So far under what the spacing is made for, from so many tries on, is no chance. */
const LOW = { by: 0.1, tries: 20 } as const;
const isLow = ({ accuracy }: ReviewFigures, { wantedRecall }: ReviewSettings): boolean =>
  accuracy !== null && accuracy.answers >= LOW.tries && accuracy.share < wantedRecall - LOW.by;

/** What to do, in a sentence. */
function verdict(figures: ReviewFigures, settings: ReviewSettings): string {
  const { remembered, needed, given, short, fits, skills, accuracy } = figures;
  const more = Math.ceil((needed - given) / REVIEW_DAYS_A_WEEK);
  if (needed > given)
    return `The minutes do not reach: ${more === 1 ? "1 more minute" : `${more} more minutes`} a day would keep everything${
      fits !== null && fits < skills ? `, or letting about ${skills - fits} skills of each student rest` : ""
    }. Until then what is least remembered is asked first.`;
  if (isLow(figures, settings) && accuracy !== null)
    return `Not all of it: the minutes are enough, but only ${percent(accuracy.share)} % came right at once, where about ${percent(settings.wantedRecall)} % is what the spacing is made for. Some of it was not learned well before it came in; sort the list by “right at first”, and teach that again.`;
  if (remembered !== null && remembered < settings.target)
    return "The minutes are enough, and the aim is not reached yet: it rises as what is due is worked off.";
  return short > 0
    ? `Yes, for the class as a whole. ${short === 1 ? "1 student has" : `${short} students have`} more in review than their minutes keep: see below.`
    : "Yes: what was learned holds, and the minutes are enough.";
}
