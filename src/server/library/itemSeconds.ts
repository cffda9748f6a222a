import "server-only";
import type { ItemKind } from "@/core/items/itemKind";
import { expectedSeconds } from "@/core/measurement/expectedSeconds";
import type { FoundItem } from "@/db/queries/itemSearch";

/** Seconds to answer, beside reading, where nothing was measured: judged by how much there is to do. */
const ANSWERING_SECONDS: Readonly<Record<ItemKind | "several", number>> = {
  number: 45,
  "single-choice": 35,
  "multiple-choice": 45,
  "short-text": 35,
  "inline-choice": 45,
  order: 50,
  matching: 60,
  "select-words": 40,
  "number-line": 45,
  grid: 60,
  shading: 40,
  expression: 60,
  steps: 120,
  written: 240,
  several: 120,
};
const USUAL_SECONDS = 45;
const USUAL_GRADE = 6;

/** Whole seconds that an item is expected to take: its stem read at the grade's rate, and the answer given. */
export function secondsFor({ line, grade, kind }: Pick<FoundItem, "line" | "grade" | "kind">): number {
  const words = line.split(/\s+/).length;
  const answeringSeconds = (ANSWERING_SECONDS as Readonly<Record<string, number>>)[kind] ?? USUAL_SECONDS;
  return Math.round(expectedSeconds({ words, grade: grade ?? USUAL_GRADE, answeringSeconds }));
}
