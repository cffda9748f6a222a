/** When a student has somewhere to be already: lessons such as "2-3" (Tuesday, third lesson). */
export interface Busy {
  readonly studentIds: readonly string[];
  readonly slot: string;
}

/**
 * A time for each of some groups, such that as few students as can be would have to be in two places; groups that come first choose
 * between equal times first. As many groups as there are times; the others get none (null). Tries every order of up to seven groups, and beyond
 * that takes the best time for each in turn.
 * @example groupTimes([["ada"], ["ben"]], ["1-1", "2-1"], [{ studentIds: ["ada"], slot: "1-1" }]) // ["2-1", "1-1"]
 */
export function groupTimes(
  groups: readonly (readonly string[])[],
  slots: readonly string[],
  busy: readonly Busy[],
): (string | null)[] {
  const clashes = (members: readonly string[], slot: string) =>
    members.filter((id) => busy.some((one) => one.slot === slot && one.studentIds.includes(id))).length;
  const costs = groups.map((members) => slots.map((slot) => clashes(members, slot)));
  const chosen = slots.length <= MOST_TRIED ? bestOrder(costs, slots.length) : inTurn(costs, slots.length);
  return chosen.map((place) => (place === null ? null : (slots[place] ?? null)));
}

const MOST_TRIED = 7;

function bestOrder(costs: readonly (readonly number[])[], slots: number): (number | null)[] {
  let best: { readonly cost: number; readonly chosen: readonly (number | null)[] } = { cost: Infinity, chosen: [] };
  const walk = (group: number, free: readonly number[], cost: number, chosen: readonly (number | null)[]): void => {
    if (cost >= best.cost) return;
    if (group === costs.length) {
      best = { cost, chosen };
      return;
    }
    if (free.length === 0) walk(group + 1, free, cost, [...chosen, null]);
    for (const slot of free)
      walk(
        group + 1,
        free.filter((other) => other !== slot),
        cost + (costs[group]?.[slot] ?? 0),
        [...chosen, slot],
      );
  };
  walk(
    0,
    Array.from({ length: slots }, (_, place) => place),
    0,
    [],
  );
  return [...best.chosen];
}

function inTurn(costs: readonly (readonly number[])[], slots: number): (number | null)[] {
  const free = new Set(Array.from({ length: slots }, (_, place) => place));
  return costs.map((own) => {
    const [best] = [...free].sort((x, y) => (own[x] ?? 0) - (own[y] ?? 0) || x - y);
    if (best === undefined) return null;
    free.delete(best);
    return best;
  });
}
