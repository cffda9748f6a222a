import type { TodayFacts } from "../facts";
import { BANDS, type TodayLine } from "../types";
import { factLines } from "./factLines";
import { groupLines } from "./groupLines";
import { planLines } from "./planLines";
import { pointerLines } from "./pointerLines";
import { reviewLines } from "./reviewLines";
import { rosterLines } from "./rosterLines";
import { praiseLine, signLines } from "./signLines";
import { workLines } from "./workLines";

/** What needs the teacher, the most urgent first: what can't wait a minute, what is for today, what these days bring. */
export function todayLines(base: string, facts: TodayFacts): TodayLine[] {
  const lines = [
    ...rosterLines(base, facts),
    ...workLines(base, facts),
    ...planLines(base, facts),
    ...pointerLines(facts),
    ...groupLines(base, facts),
    ...factLines(base, facts),
    ...reviewLines(base, facts),
    ...signLines(base, facts),
    ...praiseLine(base, facts),
  ];
  return BANDS.flatMap((band) => lines.filter((line) => line.band === band));
}
