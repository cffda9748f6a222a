import { v7 } from "uuid";
import type { OpeningRule } from "@/core/model/work";
import { MOST_OF_SHORT_CHECK } from "@/core/selection/shortCheck";

/** What can stand beside the main thing as a part of the same work. */
export const EXTRA_KINDS = ["lesson", "practice", "amount", "sequential", "contrast"] as const;
export type ExtraKind = (typeof EXTRA_KINDS)[number];

export const EXTRA_WORDS: Readonly<Record<ExtraKind, string>> = {
  lesson: "a lesson",
  practice: "practice until mastered",
  amount: "a number of items",
  sequential: "a short check",
  contrast: "telling apart",
};
/** What it is called on its own. */
const TITLES: Readonly<Record<ExtraKind, string>> = {
  lesson: "To read",
  practice: "Practice",
  amount: "Items",
  sequential: "Short check",
  contrast: "Telling apart",
};

/** What opens a part: the one before it, nothing, a teacher's word, or a day. */
export type PartOpens = { readonly by: "done" | "once" | "word" } | { readonly by: "day"; readonly day: string };

/** A part beside the main thing. */
export interface ExtraPart {
  readonly id: string;
  readonly kind: ExtraKind;
  readonly skillIds: readonly string[];
  /** The most items of practice, or their number. */
  readonly items: number;
  /** Before the main thing, or after it. */
  readonly isBefore: boolean;
  readonly opens: PartOpens;
}

export const newExtra = (skillIds: readonly string[], isBefore: boolean): ExtraPart => ({
  id: v7(),
  kind: isBefore ? "lesson" : "practice",
  skillIds: skillIds.slice(0, 6),
  items: 10,
  isBefore,
  opens: { by: isBefore ? "once" : "done" },
});

/** How many skills a kind goes over. */
export const leastSkills = (kind: ExtraKind): number => (kind === "contrast" ? 2 : 1);

/** A part as it is sent. */
export const extraMessage = ({ id, kind, skillIds, items }: ExtraPart) => ({
  id,
  kind,
  title: TITLES[kind],
  skillIds,
  settings: { items: itemsOf(kind, skillIds.length, items) },
  items: [],
});

const itemsOf = (kind: ExtraKind, skills: number, items: number): number =>
  kind === "sequential" ? MOST_OF_SHORT_CHECK * skills : kind === "lesson" ? Math.max(1, skills) : items;

/** What opens a part, as a rule. */
export function openingOf(opens: PartOpens, beforeId: string | undefined): object[] {
  if (opens.by === "word") return [{ by: "word" }];
  if (opens.by === "day") return opens.day === "" ? [] : [opens];
  return opens.by === "done" && beforeId !== undefined ? [{ by: "done", partId: beforeId }] : [];
}

/** What opened a part that was given, as it is set again; days are not taken over. */
export const opensOf = (opening: readonly OpeningRule[]): PartOpens =>
  opening.some(({ by }) => by === "word")
    ? { by: "word" }
    : { by: opening.some(({ by }) => by === "done") ? "done" : "once" };
