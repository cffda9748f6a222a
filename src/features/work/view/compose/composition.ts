import type { ReactNode } from "react";
import type { TestLevel } from "@/core/assembly/testProblem";
import type { SeriesRules } from "@/core/model/series";
import type { Certainty, DiagnosticScope, PracticeEnd } from "@/core/model/work";
import type { LastingRules, TestTaking } from "@/core/model/workPreset";
import type { TestItem } from "../../testTypes";
import type { ComposeView } from "../../types";
import type { ExtraPart, PartOpens } from "./moreParts";

/** The most skills of practice, and of a piece of a series. */
export const MOST_PRACTISED = 6;

/** What is being put together; a pair is a test before and after with practice between. */
export const MADE = [
  "lesson",
  "practice",
  "depth",
  "amount",
  "sequential",
  "contrast",
  "quiz",
  "pair",
  "diagnostic",
] as const;
export type Made = (typeof MADE)[number];

export const MADE_WORDS: Readonly<Record<Made, { readonly name: string; readonly note: string }>> = {
  lesson: { name: "A lesson", note: "to read, with its model to move; told as read by the student" },
  practice: { name: "Practice", note: "until the skills are mastered" },
  depth: { name: "At own depth", note: "whole strands across grades: each student from their own place, up and down" },
  amount: { name: "A number of items", note: "told after each, the mark is the share right" },
  sequential: { name: "A short check", note: "2 to 5 items a skill, each until it is clear" },
  contrast: { name: "Telling apart", note: "skills that get mixed up: each alone, then mixed" },
  diagnostic: { name: "Where they stand", note: "finds each student’s place in whole strands, across grades" },
  quiz: { name: "A test", note: "the same for everybody, nothing told before you show it" },
  pair: { name: "Before and after", note: "a test, practice on what was missed, a second test" },
};

/** A skill of a test, with how many items it gets. */
export interface TestSkill {
  readonly skillId: string;
  readonly items: number;
}

/** An item as it stands in a form. */
export interface FormItem {
  readonly item: TestItem;
  readonly points: number;
  /** Stays when the test is proposed anew. */
  readonly held: boolean;
}

export interface TestDesign extends TestTaking {
  readonly skills: readonly TestSkill[];
  readonly level: TestLevel;
  readonly forms: readonly (readonly FormItem[])[];
  /** Ids of items that were dropped or swapped away. */
  readonly leftOut: readonly string[];
}

export interface Rules extends LastingRules {
  readonly closesDay: string;
  readonly unlockCode: string;
  /** What opens the test after. */
  readonly after: "done" | "word";
  readonly afterForAll: boolean;
  readonly isPrepared: boolean;
}

/** The rhythm of work that is given again and again. */
export interface SeriesChoice extends Omit<SeriesRules, "source" | "items"> {
  /** Skills of the plan of so many weeks before; null for the skills that are ticked. */
  readonly planWeeks: number | null;
  readonly lastDay: string;
}

/** What goes over whole strands. */
export const goesByStrand = (made: Made): boolean => made === "diagnostic" || made === "depth";

/** What can be made anew from skills on each day. */
export const isRepeatable = (made: Made): boolean => !isTest(made) && !goesByStrand(made) && made !== "lesson";

export interface Composition {
  readonly made: Made;
  readonly title: string;
  readonly titleIsOwn: boolean;
  readonly instructions: string;
  /** Of practice and of a number of items. */
  readonly skillIds: readonly string[];
  readonly items: number;
  readonly certainty: Certainty;
  readonly end: PracticeEnd;
  readonly test: TestDesign;
  readonly scope: DiagnosticScope;
  /** Parts before and after the main thing. */
  readonly extras: readonly ExtraPart[];
  /** What opens the main thing, where something stands before it. */
  readonly mainOpens: PartOpens;
  /** What it was filled in as, which stands before its title; null for nothing. */
  readonly filledAs: keyof typeof PRESETS | null;
  /** Given again and again; null for once. */
  readonly series: SeriesChoice | null;
  /** A class by its id, or a group by `group:` and its id. */
  readonly to: readonly string[];
  readonly without: readonly string[];
  readonly opensDay: string;
  readonly dueDay: string;
  /** Other due days, by the class or group that has them. */
  readonly dueOf: Readonly<Record<string, string>>;
  readonly rules: Rules;
}

export type Change = (change: (before: Composition) => Composition) => void;

/** Shows an item as its students see it; what they answer with is another feature's. */
export type ItemFaceOf = (props: { readonly item: TestItem }) => ReactNode;

export const RULES: Rules = {
  closesDay: "",
  onlyAtSchool: false,
  unlockCode: "",
  goesFirst: false,
  score: "word",
  answers: "word",
  explanations: "word",
  cutPercent: null,
  follows: "nothing",
  alsoAtCut: false,
  after: "done",
  afterForAll: true,
  category: "",
  retake: "latest",
  isPrepared: false,
};

/** The cut of a test before and after, where nothing else is said: without one nothing would follow. */
export const PAIR_CUT = 80;

/** What teachers give most days, filled in at a touch: due on the day that it is given. */
export const PRESETS = {
  "warm-up": { name: "Warm-up", made: "amount", items: 4, goesFirst: true },
  exit: { name: "Exit ticket", made: "amount", items: 3, goesFirst: false },
} as const satisfies Record<string, { name: string; made: Made; items: number; goesFirst: boolean }>;

/** Filled in as a preset; whom it goes to and its skills stay. */
export const filledIn = (before: Composition, filledAs: keyof typeof PRESETS): Composition => ({
  ...before,
  filledAs,
  made: PRESETS[filledAs].made,
  items: PRESETS[filledAs].items,
  dueDay: before.opensDay,
  titleIsOwn: false,
  rules: { ...before.rules, goesFirst: PRESETS[filledAs].goesFirst },
});

export const isTest = (made: Made): boolean => made === "quiz" || made === "pair";

/** A class or a group that work goes to, with the students of it who get it. */
export interface Receiver {
  readonly classId: string;
  readonly groupId: string | null;
  readonly name: string;
  readonly of: number;
  /** A due day of its own; null for everybody's. */
  readonly dueDay: string | null;
  readonly studentIds: readonly string[];
}

/** Whoever is left out of tests by their supports is left out of a test unless ticked; nobody gets the work twice. */
export function receiversOf(view: ComposeView, { to, without, dueOf }: Composition): Receiver[] {
  const seen = new Set(without);
  return to.flatMap((id): Receiver[] => {
    const group = view.groups.find((one) => `group:${one.id}` === id);
    const ofClass = view.classes.find((one) => one.id === id);
    const found = group ?? ofClass;
    if (!found) return [];
    const studentIds = found.students.map((one) => one.id).filter((one) => !seen.has(one));
    for (const one of studentIds) seen.add(one);
    return [
      {
        classId: group?.classId ?? found.id,
        groupId: group?.id ?? null,
        name: found.name,
        of: found.students.length,
        dueDay: dueOf[id] ?? null,
        studentIds,
      },
    ];
  });
}

/** The skills of strands, of whatever grade: which of them a student is asked hangs on the student's own. */
export const skillsOfStrands = (view: ComposeView, strandIds: readonly string[]) =>
  view.skills.filter(({ strandId }) => strandIds.includes(strandId));
