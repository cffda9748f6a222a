import type { TodayFacts } from "../facts";
import type { TodayLine } from "../types";
import { idsOf, namesOf, students } from "./words";

/** Who practises number facts and learns nothing new, and who has stopped practising. */
export function factLines(base: string, { numberFacts }: TodayFacts): TodayLine[] {
  if (!numberFacts) return [];
  const { stalled, missed } = numberFacts;
  const line = (what: string, why: string, whom: typeof stalled, key: string): TodayLine[] =>
    whom.length === 0
      ? []
      : [
          {
            key,
            state: idsOf(whom),
            band: "week",
            station: "Work",
            what,
            why,
            names: true,
            href: `${base}/work/facts`,
            action: "See the facts",
            pull: { students: whom, skillId: null },
          },
        ];
  return [
    ...line(
      `Number facts: ${students(stalled.length)} ${stalled.length === 1 ? "gets" : "get"} no further`,
      `Practised on four days, and nothing new is known by heart: ${namesOf(stalled)}.`,
      stalled,
      "facts:stalled",
    ),
    ...line(
      `Number facts: ${students(missed.length)} ${missed.length === 1 ? "has" : "have"} stopped`,
      `Not practised for more than a school week: ${namesOf(missed)}.`,
      missed,
      "facts:missed",
    ),
  ];
}
