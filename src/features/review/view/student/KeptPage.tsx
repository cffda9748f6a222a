import type { ReactNode } from "react";
import type { KeptSkill, KeptView } from "../../types";

/** Days ahead that the picture goes. */
const BANDS: readonly { readonly name: string; readonly holds: (skill: KeptSkill) => boolean }[] = [
  { name: "Comes back now", holds: ({ inDays, resting }) => !resting && inDays <= 0 },
  { name: "Comes back this week", holds: ({ inDays, resting }) => !resting && inDays > 0 && inDays <= 7 },
  { name: "Comes back within a month", holds: ({ inDays, resting }) => !resting && inDays > 7 && inDays <= 30 },
  { name: "Holds for more than a month", holds: ({ inDays, resting }) => !resting && inDays > 30 },
  { name: "Rests", holds: ({ resting }) => resting },
];

/** A student's own picture of what is kept: each skill as a strip that is as long as the memory of it, in the order in which it comes back; the strip grows with each time it is remembered. */
export function KeptPage({
  view,
  begin,
}: {
  readonly view: KeptView;
  /** The way into today's review of a class, by its id. */
  readonly begin: Readonly<Record<string, ReactNode>>;
}) {
  return (
    <main className="font-reading mx-auto max-w-[820px] px-5 py-6 text-[20px] sm:px-12">
      <header className="flex items-baseline justify-between gap-4">
        <h1 className="font-serif text-[30px]">What I keep</h1>
        <a className="underline underline-offset-4" href="/river">
          To my river
        </a>
      </header>
      <p className="text-mute mt-1 text-[17px]">
        What you learned comes back before you forget it. Each time you remember, it holds longer.
      </p>
      {view.reviews.map((review) => (
        <section key={review.classId} aria-label={review.subject || "Review"} className="mt-6">
          {review.subject ? <h2 className="font-serif text-[24px]">{review.subject}</h2> : null}
          <p className="flex flex-wrap items-center justify-between gap-3">
            {todayWords(review)}
            {review.today === "due" || review.today === "begun" ? begin[review.classId] : null}
          </p>
          {review.met > 0 ? (
            <p className="text-mute text-[17px]">
              In six weeks {review.met === 1 ? "1 thing" : `${review.met} things`} came back; you remembered{" "}
              {review.right === review.met ? (review.met === 1 ? "it" : "all of them") : review.right} at once.
            </p>
          ) : null}
          {review.skills.length === 0 ? (
            <p className="text-mute mt-3">Nothing to keep yet: it begins with the first thing you master.</p>
          ) : null}
          {BANDS.map(({ name, holds }) => {
            const own = review.skills.filter(holds);
            return own.length === 0 ? null : (
              <div key={name} className="mt-5">
                <h3 className="text-[18px] font-semibold">
                  {name} <span className="text-mute font-normal">{own.length}</span>
                </h3>
                <ul>
                  {own.map((skill) => (
                    <Skill key={skill.name} skill={skill} />
                  ))}
                </ul>
              </div>
            );
          })}
        </section>
      ))}
    </main>
  );
}

/** Days that fill the strip: half a year. */
const LONGEST_DAYS = 180;

function Skill({ skill: { name, inDays, since, resting } }: { readonly skill: KeptSkill }) {
  const long = Math.log1p(Math.max(0, inDays)) / Math.log1p(LONGEST_DAYS);
  return (
    <li className="border-hair flex flex-wrap items-center justify-between gap-x-4 border-t py-2">
      <span>
        {name} <span className="text-mute text-[17px]">since {since}</span>
      </span>
      {resting ? null : (
        <span className="flex shrink-0 items-center gap-3">
          <span className="bg-silt block h-2.5 w-28" aria-hidden="true">
            <i className="bg-water block h-full" style={{ width: `${Math.min(100, Math.round(100 * long))}%` }} />
          </span>
          <span className="text-mute w-28 text-right text-[17px]">{whenWords(inDays)}</span>
        </span>
      )}
    </li>
  );
}

function whenWords(inDays: number): string {
  if (inDays <= 0) return "now";
  if (inDays === 1) return "tomorrow";
  if (inDays < 14) return `in ${inDays} days`;
  return inDays < 60 ? `in ${Math.round(inDays / 7)} weeks` : `in ${Math.round(inDays / 30)} months`;
}

function todayWords({ today, minutes }: KeptView["reviews"][number]): string {
  if (today === "done") return "Done for today.";
  if (today === "nothing-due") return "Nothing has to come back today.";
  const long = `about ${minutes} ${minutes === 1 ? "minute" : "minutes"}`;
  return today === "begun" ? "Today’s review is begun." : `Today something comes back: ${long}.`;
}
