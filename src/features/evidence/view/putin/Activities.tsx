"use client";
import type { Activity, ActivityView, PutInView } from "../../putInTypes";
import { Who } from "../parts/Who";

const WORDS: Readonly<Record<Activity, { readonly did: string; readonly not: string }>> = {
  lesson: { did: "opened a lesson where something was missed", not: "missed something and opened no lesson" },
  model: { did: "moved a model", not: "missed something and moved no model" },
  hints: { did: "took a hint", not: "missed something and took no hint" },
  "second-tries": { did: "tried again after a miss", not: "missed something and did not try again" },
};
const points = (share: number) => Math.round(share * 100);

/** What those who did something gained over similar ones who did not; it may have other reasons. */
export function Activities({ view }: { readonly view: PutInView }) {
  return (
    <section className="mt-5" aria-labelledby="activities-title">
      <h2 id="activities-title" className="text-[16px] font-bold">
        What did those do who came further?
      </h2>
      <p className="text-mute text-[14px]">
        Change of the chance of mastery in these days, against students who stood alike before. It may have other
        reasons.
      </p>
      <ul className="text-[14px]">
        {view.activities.map((activity) => (
          <li key={activity.activity} className="border-hair border-t py-0.5">
            <Line activity={activity} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function Line({ activity: { activity, did, didNot, compared, whoDidNot } }: { readonly activity: ActivityView }) {
  const words = WORDS[activity];
  return (
    <>
      {did} {words.did};{" "}
      <Who students={whoDidNot} skillId={null} what={words.not}>
        {didNot} {words.not}
      </Who>
      {compared ? (
        <>
          : the first came {points(Math.abs(compared.difference))} points{" "}
          {compared.difference >= 0 ? "further" : "less far"}, between {points(compared.low)} and{" "}
          {points(compared.high)}
          {compared.low > 0 ? ". Worth pointing the others to it" : ", so it may be luck"}.
        </>
      ) : (
        ". Too few on one side, or too unlike, to compare."
      )}
    </>
  );
}
