import { demandThat } from "../model/fail";
import type { Pair } from "./groupProblem";

/** A student as to who can explain a skill and who needs it. */
export interface Explaining {
  readonly id: string;
  /** Chance of mastery, 0 to 1. */
  readonly chance: number;
  /** Has it well enough to explain it. */
  readonly canExplain: boolean;
  /** Need of the skill, 0 or more; 0 for nobody who is to be explained anything. */
  readonly need: number;
}

export interface ExplainedGroup {
  readonly explainerId: string;
  readonly studentIds: readonly string[];
}

/**
 * Small groups of one who can explain and some who need it. The neediest get a place first, dealt out in turns so that no group holds all the
 * hardest cases; explainers nearest to those who need it come first, since whoever has just learned something remembers what was hard.
 * `atMost`: students beside the explainer. Nobody is placed with whom they are to be kept apart from.
 * @throws CoreError "bad-argument", where this does not hold: A group has room for one student or more.
 * @example explainedGroups([{ id: "a", chance: 0.95, canExplain: true, need: 0 }, { id: "b", chance: 0.2, canExplain: false, need: 0.8 }], { groups: 2, atMost: 2 }) // [{ explainerId: "a", studentIds: ["b"] }]
 */
export function explainedGroups(
  students: readonly Explaining[],
  {
    groups,
    atMost,
    keepApart = [],
  }: { readonly groups: number; readonly atMost: number; readonly keepApart?: readonly Pair[] },
): ExplainedGroup[] {
  demandThat(Number.isInteger(atMost) && atMost >= 1 && groups >= 0, "A group has room for one student or more.", {
    atMost,
  });
  const needy = students
    .filter(({ need, canExplain }) => need > 0 && !canExplain)
    .sort((x, y) => y.need - x.need || order(x, y));
  const explainers = students
    .filter(({ canExplain }) => canExplain)
    .sort((x, y) => x.chance - y.chance || order(x, y))
    .slice(0, Math.min(groups, needy.length));
  const made = explainers.map(({ id }) => ({ explainerId: id, studentIds: [] as string[] }));
  const isApart = (one: string, other: string) =>
    keepApart.some(([first, second]) => (first === one && second === other) || (first === other && second === one));
  for (const { id } of needy) {
    const open = made.filter(
      ({ explainerId, studentIds }) =>
        studentIds.length < atMost && ![explainerId, ...studentIds].some((other) => isApart(id, other)),
    );
    const emptiest = Math.min(...open.map(({ studentIds }) => studentIds.length));
    open.find(({ studentIds }) => studentIds.length === emptiest)?.studentIds.push(id);
  }
  return made.filter(({ studentIds }) => studentIds.length > 0);
}

const order = (x: Explaining, y: Explaining): number => (x.id < y.id ? -1 : 1);
