import { v7 } from "uuid";
import type { OpeningRule } from "@/core/model/work";
import { MOST_OF_SHORT_CHECK } from "@/core/selection/shortCheck";

/** What can stand beside the main thing as a part of the same work. */
export const EXTRA_KINDS = ["lesson", "practice", "amount", "sequential", "contrast"] as const;
export type ExtraKind = (typeof EXTRA_KINDS)[number];

interface Extra {
  /** In a sentence, and on its own. */
  readonly words: string;
  readonly title: string;
  readonly leastSkills: number;
  /** Its items, of so many skills, where so many are wished. */
  readonly items: (skills: number, wished: number) => number;
  /** What stands before a number of items that can be set; null where it can't. */
  readonly ofItems: string | null;
}

export const EXTRAS: Readonly<Record<ExtraKind, Extra>> = {
  lesson: {
    words: "a lesson",
    title: "To read",
    leastSkills: 1,
    items: (skills) => Math.max(1, skills),
    ofItems: null,
  },
  practice: {
    words: "practice until mastered",
    title: "Practice",
    leastSkills: 1,
    items: (_, wished) => wished,
    ofItems: "at most ",
  },
  amount: { words: "a number of items", title: "Items", leastSkills: 1, items: (_, wished) => wished, ofItems: "" },
  sequential: {
    words: "a short check",
    title: "Short check",
    leastSkills: 1,
    items: (skills) => MOST_OF_SHORT_CHECK * skills,
    ofItems: null,
  },
  contrast: {
    words: "telling apart",
    title: "Telling apart",
    leastSkills: 2,
    items: (_, wished) => wished,
    ofItems: "",
  },
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

/** A part as it is sent. */
export const extraMessage = ({ id, kind, skillIds, items }: ExtraPart) => ({
  id,
  kind,
  title: EXTRAS[kind].title,
  skillIds,
  settings: { items: EXTRAS[kind].items(skillIds.length, items) },
  items: [],
});

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
