import type { TodayFacts } from "../facts";
import type { TodayLine } from "../types";
import { idsOf, namesOf, students } from "./words";

/** Skills that come back in vain, minutes that keep too little, and who has stopped reviewing. */
export function reviewLines(base: string, { reviews }: TodayFacts): TodayLine[] {
  return reviews.flatMap(({ classId, className, short, moreMinutes, missed, tooHard, students: all }) => {
    const href = `${base}/work/review?class=${classId}`;
    const line = (key: string, over: Omit<TodayLine, "key" | "band" | "station" | "href">): TodayLine => ({
      key: `review:${key}:${classId}`,
      band: "week",
      station: "Work",
      href,
      ...over,
    });
    return [
      ...tooHard.map(({ skillId, name, right, tries, lacking }) =>
        line(`hard:${skillId}`, {
          state: `${tries}`,
          what: `${name} comes back in vain`,
          why: `In review ${right} of ${tries} first tries were right in ${className}: it is to be taught again before it is asked any more.`,
          action: "See the review",
          pull: { students: lacking, skillId },
        }),
      ),
      ...(short.length * 3 > all
        ? [
            line("short", {
              state: `${moreMinutes}`,
              what: `Review in ${className}: the minutes are too few for ${students(short.length)}`,
              why: `${moreMinutes === 1 ? "1 more minute" : `${moreMinutes} more minutes`} a day would keep what they learned, or let some skills rest.`,
              action: "See what could rest",
            }),
          ]
        : []),
      ...(missed.length > 0
        ? [
            line("missed", {
              state: idsOf(missed),
              what: `Review: ${students(missed.length)} ${missed.length === 1 ? "has" : "have"} stopped`,
              why: `Something is due, and they have not reviewed for more than a school week: ${namesOf(missed)}.`,
              names: true,
              action: "See the review",
              pull: { students: missed, skillId: null },
            }),
          ]
        : []),
    ];
  });
}
