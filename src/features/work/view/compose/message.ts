import { v7 } from "uuid";
import { DIAGNOSTIC_SETTINGS } from "@/core/selection/diagnostic/diagnosticState";
import { MOST_OF_SHORT_CHECK } from "@/core/selection/shortCheck";
import type { ComposeView } from "../../types";
import { type Composition, isTest, MADE_WORDS, type Rules, skillsOfStrands } from "./composition";
import { type ExtraPart, extraMessage, openingOf, type PartOpens } from "./moreParts";

/** Everything as it is sent. Ids are made here, so that sending twice gives once. */
export function messageOf(view: ComposeView, composition: Composition, ids: { readonly workId: string }) {
  const { rules, dueDay, opensDay } = composition;
  const closes = rules.closesDay === "" ? null : { day: rules.closesDay, time: "20:00" };
  return {
    workId: ids.workId,
    title: composition.title,
    instructions: composition.instructions,
    parts: allParts(view, composition),
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

/** The main thing with what stands before and after it. */
function allParts(view: ComposeView, composition: Composition) {
  const { extras, mainOpens, made } = composition;
  const [before, after] = [extras.filter(({ isBefore }) => isBefore), extras.filter(({ isBefore }) => !isBefore)];
  const main: readonly SentPart[] = partsOf(view, composition);
  if (extras.length === 0) return main;
  const [first, ...rest] = main;
  const title = first?.title || MADE_WORDS[made].name;
  const opened = (part: SentPart, opens: PartOpens, beforeId: string | undefined): SentPart => ({
    ...part,
    opening: [...openingOf(opens, beforeId), ...(part.opening ?? [])],
  });
  const inRow = (parts: readonly ExtraPart[], last: string | undefined) =>
    parts.map((part, place) => opened(extraMessage(part), part.opens, parts[place - 1]?.id ?? last));
  return toldApart([
    ...inRow(before, undefined),
    ...(first ? [opened({ ...first, title }, mainOpens, before.at(-1)?.id)] : []),
    ...rest,
    ...inRow(after, main.at(-1)?.id),
  ]);
}

/** Parts of one name get a number: “First finish” has to say which. */
const toldApart = (parts: readonly SentPart[]): SentPart[] =>
  parts.map((part, place) => {
    const before = parts.slice(0, place).filter(({ title }) => title === part.title).length;
    return before === 0 ? part : { ...part, title: `${part.title} ${before + 1}` };
  });

interface SentPart {
  readonly id: string;
  readonly title?: string;
  readonly opening?: readonly object[];
}

function partsOf(view: ComposeView, composition: Composition) {
  const { made, skillIds, items, certainty, end, rules } = composition;
  if (made === "practice")
    return [{ id: v7(), kind: "practice", skillIds, settings: { items, certainty, end }, items: [] }];
  if (made === "diagnostic") return [diagnosticPart(view, composition)];
  if (made === "depth")
    return [
      {
        id: v7(),
        kind: "depth",
        skillIds: skillsOfStrands(view, composition.scope.strandIds).map(({ id }) => id),
        settings: { items, scope: composition.scope },
        items: [],
      },
    ];
  if (made === "lesson")
    return [{ id: v7(), kind: "lesson", skillIds, settings: { items: skillIds.length }, items: [] }];
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
