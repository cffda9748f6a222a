import type { DiagnosticScope, WorkKind } from "@/core/model/work";
import { GRADES_ABOVE, GRADES_BELOW } from "@/core/selection/diagnostic/gradesAround";
import type { AssignStart } from "../../assignStart";
import type { Again, ComposeView } from "../../types";
import { type Composition, type FormItem, isTest, type Made, MOST_PRACTISED, PAIR_CUT, RULES } from "./composition";
import { newExtra, opensOf } from "./moreParts";

/** As what a kind of work is given again; a check of a reteach as a number of items. */
const MADE_OF_KIND: Readonly<Record<WorkKind, Made>> = {
  practice: "practice",
  amount: "amount",
  check: "amount",
  sequential: "sequential",
  contrast: "contrast",
  diagnostic: "diagnostic",
  quiz: "quiz",
  paper: "quiz",
  depth: "depth",
  lesson: "lesson",
  review: "practice",
};

/** What stands on the page when it is opened. */
export function firstComposition(
  view: ComposeView,
  start: AssignStart,
  pulledIds: ReadonlySet<string> | null,
): Composition {
  const isPicked = view.picked.length > 0;
  const first =
    view.classes.find(({ students }) => pulledIds !== null && students.some(({ id }) => pulledIds.has(id))) ??
    view.classes[0];
  const asked = start.skillIds.filter((wanted) => view.skills.some(({ id }) => id === wanted));
  const { again } = view;
  if (again) return compositionAgain(view, again, first ? [first.id] : []);
  const skillIds = isPicked
    ? [...new Set(view.picked.map(({ skillId }) => skillId))]
    : asked.length > 0
      ? asked
      : view.suggestedSkillId === null
        ? []
        : [view.suggestedSkillId];
  return {
    made: isPicked || (start.items !== null && !isTest(start.made)) ? "amount" : start.made,
    title: start.title,
    titleIsOwn: start.title !== "",
    instructions: "",
    skillIds: skillIds.slice(0, MOST_PRACTISED),
    items: start.items ?? 16,
    certainty: "usual",
    end: { by: "sure" },
    test: {
      skills: skillIds.map((skillId, place) => ({ skillId, items: shareOf(start.items, skillIds.length, place) })),
      level: "usual",
      forms: [],
      leftOut: [],
      goBack: true,
      shuffle: false,
      calculator: false,
      minutes: null,
      neighbours: false,
      onPaper: false,
    },
    scope: scopeOf(view),
    extras: [],
    mainOpens: { by: "done" },
    filledAs: null,
    series: null,
    to: first ? [first.id] : [],
    without: pulledIds === null || !first ? [] : first.students.map(({ id }) => id).filter((id) => !pulledIds.has(id)),
    opensDay: view.today,
    dueDay: view.dueDay,
    dueOf: {},
    rules: start.made === "pair" ? { ...RULES, cutPercent: PAIR_CUT } : RULES,
  };
}

/** The strands of what is planned, or all where nothing is; a grade above the student's own and four below. */
function scopeOf({ skills }: ComposeView): DiagnosticScope {
  const planned = skills.filter((skill) => skill.planned);
  const strandIds = [...new Set((planned.length > 0 ? planned : skills).map(({ strandId }) => strandId))];
  return { strandIds: strandIds.slice(0, MOST_AT_FIRST), above: GRADES_ABOVE, below: GRADES_BELOW };
}

/** More strands than these take longer than a lesson. */
const MOST_AT_FIRST = 3;

/** What was given before, as it was, with days of its own. Its items are held: they stay when something else is changed. */
function compositionAgain(view: ComposeView, again: Again, to: readonly string[]): Composition {
  const { settings, forms } = again;
  const held = forms.map((form) => form.map(({ item, points }): FormItem => ({ item, points, held: true })));
  const [firstForm = []] = held;
  const counted = [...new Set(firstForm.map(({ item }) => item.skillId))].map((skillId) => ({
    skillId,
    items: firstForm.filter(({ item }) => item.skillId === skillId).length,
  }));
  return {
    made: again.isPair ? "pair" : MADE_OF_KIND[again.kind],
    title: again.title,
    titleIsOwn: true,
    instructions: again.instructions,
    skillIds: again.skillIds,
    items: settings.items,
    certainty: settings.certainty ?? "usual",
    end: settings.end ?? { by: "sure" },
    test: {
      skills: counted,
      level: "usual",
      forms: held,
      leftOut: [],
      goBack: settings.goBack ?? false,
      shuffle: settings.shuffle ?? false,
      calculator: settings.calculator ?? false,
      minutes: settings.minutes ?? null,
      neighbours: false,
      onPaper: again.onPaper,
    },
    scope: settings.scope ?? scopeOf(view),
    extras: again.extras.map(({ kind, skillIds, items, isBefore, opening }) => ({
      ...newExtra(skillIds, isBefore),
      kind,
      items,
      opens: opensOf(opening),
    })),
    mainOpens: opensOf(again.opening),
    filledAs: null,
    series: null,
    to,
    without: [],
    opensDay: view.today,
    dueDay: view.dueDay,
    dueOf: {},
    rules: { ...RULES, ...again.release, cutPercent: again.cutPercent, retake: again.retake },
  };
}

/** The items of a test shared out among its skills as evenly as can be; nought, for as many as usual, where no number is asked for. */
const shareOf = (items: number | null, skills: number, place: number): number =>
  items === null ? 0 : Math.max(1, Math.floor(items / skills) + (place < items % skills ? 1 : 0));
