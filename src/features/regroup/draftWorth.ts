import { format, parseISO } from "date-fns";
import type { GroupPlan } from "@/core/grouping/groupProblem";
import { groupTimes } from "@/core/grouping/groupTimes";
import { planOf } from "@/core/grouping/planOf";
import { mean } from "@/core/numeric/mean";
import { whyGroup } from "@/core/why/whyGroup";
import { groupBecause } from "@/words/staff/groupWords";
import { basisCounts } from "./basisCounts";
import { groupProblemOf } from "./groupProblemOf";
import type { DraftGroup, NeedCell, SuggestionView } from "./suggestTypes";

/** What the groups on the page come to, worked out as they are moved: all of it in points of 100. */
export interface DraftWorth {
  /** Need served of all need that the class has; of mixed groups, how near their means lie together. */
  readonly score: number;
  readonly broken: readonly string[];
}

const HUNDRED = 100;

/** A student's row and a skill's column in the view. */
export const cellOf = (view: SuggestionView, studentId: string, skillId: string | null): NeedCell | null => {
  const row = view.students.findIndex(({ id }) => id === studentId);
  const column = view.skills.findIndex(({ id }) => id === skillId);
  return view.cells[row]?.[column] ?? null;
};

const needOf = (view: SuggestionView, studentId: string, skillId: string | null): number => {
  const row = view.students.findIndex(({ id }) => id === studentId);
  const column = view.skills.findIndex(({ id }) => id === skillId);
  return view.need[row]?.[column] ?? 0;
};

const greatestNeed = (view: SuggestionView, studentId: string): number =>
  Math.max(0, ...(view.need[view.students.findIndex(({ id }) => id === studentId)] ?? []));

const planOfDrafts = (view: SuggestionView, drafts: readonly DraftGroup[]): GroupPlan =>
  planOf(
    groupProblemOf(view),
    new Map(drafts.flatMap(({ skillId, studentIds }) => (skillId === null ? [] : [[skillId, studentIds] as const]))),
    "greedy",
  );

/** Whoever is in a group, and is there to learn in it. */
const learners = ({ studentIds, explainerIds }: DraftGroup): string[] =>
  studentIds.filter((id) => !explainerIds.includes(id));

function scoreOf(view: SuggestionView, drafts: readonly DraftGroup[]): number {
  if (view.limits.purpose === "mixed") return HUNDRED * (1 - spreadOfMeans(view, drafts));
  const all = view.students.reduce((sum, { id }) => sum + greatestNeed(view, id), 0);
  if (all === 0) return 0;
  if (view.limits.purpose === "explain") {
    const served = drafts.flatMap((group) => learners(group).map((id) => needOf(view, id, group.skillId)));
    return (HUNDRED * served.reduce((sum, need) => sum + need, 0)) / all;
  }
  return (HUNDRED * planOfDrafts(view, drafts).value) / all;
}

function spreadOfMeans(view: SuggestionView, drafts: readonly DraftGroup[]): number {
  const means = drafts
    .filter(({ studentIds }) => studentIds.length > 0)
    .map(({ studentIds }) => mean(studentIds.map((id) => view.students.find((one) => one.id === id)?.place ?? 0)));
  return means.length === 0 ? 0 : Math.max(...means) - Math.min(...means);
}

/** The groups after one student was moved into one of them, or out of all (null). */
export const moved = (drafts: readonly DraftGroup[], studentId: string, toKey: string | null): DraftGroup[] =>
  drafts.map((group) => {
    const without = group.studentIds.filter((id) => id !== studentId);
    return group.key === toKey
      ? { ...group, studentIds: [...without, studentId] }
      : { ...group, studentIds: without, explainerIds: group.explainerIds.filter((id) => id !== studentId) };
  });

/** What a move costs, in points; below nothing where it gains. */
export const costOfMove = (
  view: SuggestionView,
  drafts: readonly DraftGroup[],
  studentId: string,
  toKey: string | null,
): number => scoreOf(view, drafts) - scoreOf(view, moved(drafts, studentId, toKey));

/** What the groups come to, and which wishes they break: the teacher may, and sees it. */
export function worthOf(view: SuggestionView, drafts: readonly DraftGroup[]): DraftWorth {
  const { limits, students } = view;
  const nameOf = (id: string) => students.find((one) => one.id === id)?.name ?? "somebody";
  const groupOf = (id: string) => drafts.find(({ studentIds }) => studentIds.includes(id))?.key;
  const pair = ([one, other]: readonly [string, string]) => `${nameOf(one)} and ${nameOf(other)}`;
  const known = (ids: readonly string[]) => ids.every((id) => students.some((one) => one.id === id));
  const sizes = drafts.map(({ studentIds }) => studentIds.length).filter((size) => size > 0);
  const unlike = limits.purpose === "need";
  return {
    score: scoreOf(view, drafts),
    broken: [
      ...(unlike && sizes.some((size) => size < limits.smallest)
        ? [`a group has fewer than ${limits.smallest} students`]
        : []),
      ...(sizes.some((size) => size > limits.largest) ? [`a group has more than ${limits.largest} students`] : []),
      ...limits.apart
        .filter((ids) => known(ids) && groupOf(ids[0]) !== undefined && groupOf(ids[0]) === groupOf(ids[1]))
        .map((ids) => `${pair(ids)} are in one group`),
      ...limits.together
        .filter((ids) => known(ids) && groupOf(ids[0]) !== groupOf(ids[1]))
        .map((ids) => `${pair(ids)} are parted`),
      ...limits.absent.filter((id) => groupOf(id) !== undefined).map((id) => `${nameOf(id)} is away`),
    ],
  };
}

/** How much of its members' greatest needs one group serves, 0 to 1. */
export function needMet(view: SuggestionView, group: DraftGroup): number {
  const own = learners(group);
  const greatest = own.reduce((sum, id) => sum + greatestNeed(view, id), 0);
  const served = own.reduce((sum, id) => sum + needOf(view, id, group.skillId), 0);
  return greatest === 0 ? 0 : Math.min(1, served / greatest);
}

/** Why these students are a group, as it stands on the page and is kept with it. */
export function becauseOf(view: SuggestionView, group: DraftGroup): string {
  const own = learners(group);
  const skill = view.skills.find(({ id }) => id === group.skillId);
  if (!skill) {
    const places = group.studentIds.map((id) => view.students.find((one) => one.id === id)?.place ?? 0);
    const percent = (share: number) => Math.round(HUNDRED * share);
    return places.length === 0
      ? ""
      : `Mixed on purpose: what is taught now is mastered with a chance of ${percent(Math.min(...places))} to ${percent(Math.max(...places))} %, ${percent(mean(places))} % on average.`;
  }
  const cells = own.flatMap((id) => cellOf(view, id, skill.id) ?? []);
  if (cells.length === 0) return "";
  const why = whyGroup(
    cells.map(({ chance, ready, misconceptionId }) => ({
      chance,
      ready,
      misconceptionIds: misconceptionId === null ? [] : [misconceptionId],
    })),
  );
  return groupBecause({
    why,
    mistake: why.misconceptionId === null ? null : (view.misconceptions[why.misconceptionId] ?? null),
    next: skill.next ? { name: skill.next.name, day: format(parseISO(skill.next.fromDay), "d MMM") } : null,
    basis: basisCounts(cells),
  });
}

export interface DraftTime {
  readonly slot: string | null;
  readonly minutes: number | null;
  /** Who would have to be in two groups at once, and in which other. */
  readonly clashes: readonly { readonly id: string; readonly name: string; readonly group: string }[];
}

/** When each group meets: such that as few as can be have to be in two places. Groups that work all at once have no time of their own. */
export function timesOf({ limits, students }: SuggestionView, drafts: readonly DraftGroup[]): DraftTime[] {
  if (limits.purpose !== "need") return drafts.map(() => ({ slot: null, minutes: null, clashes: [] }));
  const busy = students.flatMap(({ id, meets }) => meets.map(({ slot }) => ({ studentIds: [id], slot })));
  const slots = groupTimes(
    drafts.map(({ studentIds }) => studentIds),
    limits.times.map(({ slot }) => slot),
    busy,
  );
  return drafts.map(({ studentIds }, place) => {
    const slot = slots[place] ?? null;
    return {
      slot,
      minutes: limits.times.find((time) => time.slot === slot)?.minutes ?? null,
      clashes: students
        .filter(({ id }) => studentIds.includes(id))
        .flatMap(({ id, name, meets }) =>
          meets.filter((one) => one.slot === slot).map(({ group }) => ({ id, name, group })),
        ),
    };
  });
}
