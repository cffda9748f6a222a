import type { TodayFacts } from "../facts";
import type { TodayLine } from "../types";

/** What colleagues pointed to, by day; it wants somebody today from its day on. */
export function pointerLines({ pointers }: TodayFacts): TodayLine[] {
  return pointers.map(({ id, name, sentence, path, dayWords, isDue }): TodayLine => {
    // "/desk/6-alder/evidence/marks?…" stands in the station Evidence.
    const station = path.split(/[/?]/)[3] || "today";
    return {
      key: `pointer:${id}`,
      state: String(isDue),
      band: isDue ? "today" : "week",
      station: `${station.slice(0, 1).toUpperCase()}${station.slice(1)}`,
      what: `${name} points you to a view, for ${dayWords}`,
      why: sentence,
      names: true,
      href: path,
      action: "Look at it",
      pointerId: id,
    };
  });
}
