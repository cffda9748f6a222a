import { UNIT_MOMENTS, type UnitMoment } from "../model/unit";

/** Skills of one piece of work, at most. */
const MOST_SKILLS = 6;
/** Items on each skill: fewer where many skills are looked over, more where a lesson hangs on one. */
const ITEMS_A_SKILL: Readonly<Record<UnitMoment, number>> = { before: 2, midway: 4, end: 4 };
/** The least that a piece of work holds is 4; one skill alone is judged by 6. */
const LEAST_ITEMS: Readonly<Record<UnitMoment, number>> = { before: 4, midway: 6, end: 6 };

export interface UnitCheck {
  readonly moment: UnitMoment;
  readonly skillIds: readonly string[];
  readonly items: number;
}

/**
 * Skills outside a unit that its skills build on directly: those first that most of them build on, else in the order of mention.
 * @example broughtAlong([{ id: "c", prerequisites: ["a", "b"] }, { id: "d", prerequisites: ["b", "c"] }]) // ["b", "a"]
 */
export function broughtAlong(unit: readonly { readonly id: string; readonly prerequisites: readonly string[] }[]) {
  const own = new Set(unit.map(({ id }) => id));
  const wanted = new Map<string, number>();
  for (const id of unit.flatMap(({ prerequisites }) => prerequisites))
    if (!own.has(id)) wanted.set(id, (wanted.get(id) ?? 0) + 1);
  return [...wanted].sort(([, one], [, other]) => other - one).map(([id]) => id);
}

/**
 * Assessments proposed for a unit: before it what its skills build on outside it, midway the first half of its skills, at its end all of them.
 * A unit that builds on nothing gets none before.
 * @param unit skills in teaching order, each with what it builds on directly
 * @example unitChecks([{ id: "b", prerequisites: ["a"] }]).map(({ moment, skillIds, items }) => `${moment} ${skillIds} ${items}`) // ["before a 4", "midway b 6", "end b 6"]
 */
export function unitChecks(
  unit: readonly { readonly id: string; readonly prerequisites: readonly string[] }[],
): UnitCheck[] {
  const ids = unit.map(({ id }) => id);
  const skillsAt: Readonly<Record<UnitMoment, readonly string[]>> = {
    before: broughtAlong(unit),
    midway: ids.slice(0, Math.ceil(ids.length / 2)),
    end: ids,
  };
  return UNIT_MOMENTS.flatMap((moment): UnitCheck[] => {
    const skillIds = skillsAt[moment].slice(0, MOST_SKILLS);
    if (skillIds.length === 0) return [];
    return [{ moment, skillIds, items: Math.max(LEAST_ITEMS[moment], ITEMS_A_SKILL[moment] * skillIds.length) }];
  });
}
