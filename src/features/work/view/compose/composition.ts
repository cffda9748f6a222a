import type { ReactNode } from "react";
import { v7 } from "uuid";
import type { TestLevel } from "@/core/assembly/testProblem";
import type { SeriesRules } from "@/core/model/series";
import type { Certainty, DiagnosticScope, PracticeEnd, ReleaseTime, RetakeRule } from "@/core/model/work";
import { DIAGNOSTIC_SETTINGS } from "@/core/selection/diagnostic/diagnosticState";
import { MOST_OF_SHORT_CHECK } from "@/core/selection/shortCheck";
import type { TestItem } from "../../testTypes";
import type { ComposeView } from "../../types";

/** The most skills of practice, and of a piece of a series. */
export const MOST_PRACTISED = 6;

/** What is being put together; a pair is a test before and after with practice between. */
export const MADE = ["practice", "amount", "sequential", "contrast", "quiz", "pair", "diagnostic"] as const;
export type Made = (typeof MADE)[number];

export const MADE_WORDS: Readonly<Record<Made, { readonly name: string; readonly note: string }>> = {
  practice: { name: "Practice", note: "until the skills are mastered" },
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

export interface TestDesign {
  readonly skills: readonly TestSkill[];
  readonly level: TestLevel;
  readonly forms: readonly (readonly FormItem[])[];
  /** Ids of items that were dropped or swapped away. */
  readonly leftOut: readonly string[];
  readonly goBack: boolean;
  readonly shuffle: boolean;
  readonly calculator: boolean;
  /** Null for no limit. */
  readonly minutes: number | null;
  /** Neighbours get different forms. */
  readonly neighbours: boolean;
  /** Printed, and typed in afterwards. */
  readonly onPaper: boolean;
}

export interface Rules {
  readonly closesDay: string;
  readonly onlyAtSchool: boolean;
  readonly unlockCode: string;
  readonly goesFirst: boolean;
  readonly score: ReleaseTime;
  readonly answers: ReleaseTime;
  readonly explanations: ReleaseTime;
  /** Null for none. */
  readonly cutPercent: number | null;
  /** What follows a test below its cut. */
  readonly follows: "nothing" | "itself" | "word";
  readonly alsoAtCut: boolean;
  /** What opens the test after. */
  readonly after: "done" | "word";
  readonly afterForAll: boolean;
  readonly category: string;
  /** Which mark counts where somebody tried again. */
  readonly retake: RetakeRule;
  readonly isPrepared: boolean;
}

/** The rhythm of work that is given again and again. */
export interface SeriesChoice extends Omit<SeriesRules, "source" | "items"> {
  /** Skills of the plan of so many weeks before; null for the skills that are ticked. */
  readonly planWeeks: number | null;
  readonly lastDay: string;
}

/** What can be made anew from skills on each day. */
export const isRepeatable = (made: Made): boolean => !isTest(made) && made !== "diagnostic";

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

/** Everything as it is sent. Ids are made here, so that sending twice gives once. */
export function messageOf(view: ComposeView, composition: Composition, ids: { readonly workId: string }) {
  const { rules, dueDay, opensDay } = composition;
  const closes = rules.closesDay === "" ? null : { day: rules.closesDay, time: "20:00" };
  return {
    workId: ids.workId,
    title: composition.title,
    instructions: composition.instructions,
    parts: partsOf(view, composition),
    opens: { day: opensDay, time: "06:00" },
    due: dueDay === "" ? null : { day: dueDay, time: "20:00" },
    closes,
    rules: {
      ...rulesMessage(rules, isTest(composition.made)),
      isPrepared: rules.isPrepared,
      alternate: composition.made === "quiz" && composition.test.neighbours && composition.test.forms.length > 1,
    },
  };
}

/** Rules as they are sent; what only tests have is left out of other work. */
export const rulesMessage = (rules: Rules, ofTest: boolean) => ({
  onlyAtSchool: rules.onlyAtSchool,
  unlockCode: rules.onlyAtSchool && rules.unlockCode !== "" ? rules.unlockCode : null,
  goesFirst: rules.goesFirst,
  release: ofTest ? { score: rules.score, answers: rules.answers, explanations: rules.explanations } : {},
  cutPercent: ofTest ? rules.cutPercent : null,
  category: rules.category,
  retake: rules.retake,
});

function partsOf(view: ComposeView, composition: Composition) {
  const { made, skillIds, items, certainty, end, rules } = composition;
  if (made === "practice")
    return [{ id: v7(), kind: "practice", skillIds, settings: { items, certainty, end }, items: [] }];
  if (made === "diagnostic") return [diagnosticPart(view, composition)];
  if (made === "sequential" || made === "contrast")
    return [
      {
        id: v7(),
        kind: made,
        skillIds,
        settings: { items: made === "contrast" ? items : MOST_OF_SHORT_CHECK * skillIds.length },
        items: [],
      },
    ];
  if (made === "amount")
    return [
      {
        id: v7(),
        kind: "amount",
        skillIds,
        settings: { items },
        items: view.picked.map(({ itemId, skillId, seed }) => ({ itemId, skillId, seed })),
      },
    ];
  const before = v7();
  const follow = v7();
  const follows = made === "pair" ? "itself" : rules.cutPercent === null ? "nothing" : rules.follows;
  const cut = rules.cutPercent ?? 100;
  const first = testPart(composition, before, made === "pair" ? [0] : null, made === "pair" ? "Before" : "");
  if (follows === "nothing" && made === "quiz") return [first];
  const followUp = {
    id: follow,
    kind: "practice",
    title: "Work on what was missed",
    skillIds: [],
    settings: { items: FOLLOW_UP_ITEMS, missedIn: { partId: before, alsoAtCut: rules.alsoAtCut } },
    opening: [
      rules.alsoAtCut ? { by: "done", partId: before } : { by: "below", partId: before, percent: cut },
      ...(follows === "word" ? [{ by: "word" }] : []),
    ],
    items: [],
  };
  if (made === "quiz") return [{ ...first, title: "Test" }, followUp];
  const after = testPart(composition, v7(), [1], "After");
  return [
    first,
    followUp,
    {
      ...after,
      opening: [
        { by: "done", partId: before },
        { by: "done", partId: follow },
        ...(rules.after === "word" ? [{ by: "word" }] : []),
        ...(rules.afterForAll ? [] : [{ by: "below", partId: before, percent: cut }]),
      ],
    },
  ];
}

/** The most items that follow a test: enough for several skills. */
const FOLLOW_UP_ITEMS = 24;
const LETTERS = ["A", "B", "C", "D"];

/** The skills of strands, of whatever grade: which of them a student is asked hangs on the student's own. */
export const skillsOfStrands = (view: ComposeView, strandIds: readonly string[]) =>
  view.skills.filter(({ strandId }) => strandIds.includes(strandId));

function diagnosticPart(view: ComposeView, { scope }: Composition) {
  return {
    id: v7(),
    kind: "diagnostic",
    skillIds: skillsOfStrands(view, scope.strandIds).map(({ id }) => id),
    settings: { items: DIAGNOSTIC_SETTINGS.mostItems * scope.strandIds.length, scope },
    items: [],
  };
}

/** A test as a part, of all its forms or of one. */
function testPart({ test }: Composition, id: string, only: readonly number[] | null, title: string) {
  const forms = test.forms.filter((_, place) => only === null || only.includes(place));
  return {
    id,
    kind: test.onPaper ? "paper" : "quiz",
    title,
    skillIds: [...new Set(forms.flat().map(({ item }) => item.skillId))],
    settings: {
      items: Math.max(1, forms[0]?.length ?? 1),
      goBack: test.goBack,
      shuffle: test.shuffle,
      calculator: test.calculator,
      ...(test.minutes === null ? {} : { minutes: test.minutes }),
    },
    opening: [],
    items: forms.flatMap((form, place) =>
      form.map(({ item, points }) => ({
        itemId: item.itemId,
        skillId: item.skillId,
        seed: item.seed,
        points,
        form: LETTERS[place] ?? "A",
      })),
    ),
  };
}
