import type { SchoolDay } from "../calendar/dayNumber";
import type { PlanPace, PlanPlace } from "../model/planPlace";

/** A slot of a class's plan as a student meets it. */
export interface OfferedSlot {
  readonly id: string;
  readonly skillIds: readonly string[];
  readonly where: PlanPlace;
  /** Null for a slot that is skipped. */
  readonly dates: { readonly fromDay: SchoolDay; readonly targetDay: SchoolDay } | null;
}

export interface PlanStudent {
  readonly isMastered: (skillId: string) => boolean;
  /** Chance of mastery, 0 to 1; from the grade where nothing was answered. */
  readonly chanceOf: (skillId: string) => number;
  /** Worked on today without getting there: what lies under it, or another skill, comes before more of it. */
  readonly rests: (skillId: string) => boolean;
  /** The slot at which the student begins; null for the first. What lies before it is passed over. */
  readonly startSlotId: string | null;
}

export interface PlanMoment {
  readonly pace: PlanPace;
  readonly today: SchoolDay;
  /** Where the student is; "both" where nothing tells. */
  readonly place: PlanPlace;
}

/** What the plan gives a student next: a skill of a slot, or what is missing under it. */
export interface PlanNext {
  readonly slotId: string;
  readonly skillId: string;
  /** The skill of the slot that this is missing for; null where it is the slot's own. */
  readonly missingForId: string | null;
}

/** Under this chance a prerequisite is taken for missing, and comes first. */
export const MISSING_UNDER = 0.3;
/** Steps down from a planned skill, at most. */
const MOST_STEPS = 8;

/**
 * What a plan gives a student next; null when nothing of it is open. Mastered skills are passed over, and what may not be done at the place is not offered
 * there. At their own pace students take the slots in order; with the class's dates first what is taught now, then what is left of earlier slots, and only
 * then what lies ahead, so that nobody is left without work. A skill whose prerequisite is missing gives way to it, down to the first that stands on
 * something (nothing that is planned for another place, though); one that rests gives way to the weakest under it, or to the next.
 * @param prerequisitesOf what a skill builds on directly
 * @example nextFromPlan([{ id: "1", skillIds: ["a"], where: "both", dates: { fromDay: "2026-11-23", targetDay: "2026-11-27" } }], { isMastered: () => false, chanceOf: () => 0.5, rests: () => false, startSlotId: null }, { pace: "own", today: "2026-11-23", place: "home" }, () => [])?.skillId // "a"
 */
export function nextFromPlan(
  slots: readonly OfferedSlot[],
  student: PlanStudent,
  moment: PlanMoment,
  prerequisitesOf: (skillId: string) => readonly string[],
): PlanNext | null {
  const elsewhere = plannedElsewhere(slots, moment.place);
  const rank = (id: string) => student.chanceOf(id);
  let lastResort: PlanNext | null = null;
  for (const { id: slotId, skillIds } of inTurn(slots, student, moment))
    for (const open of skillIds) {
      if (student.isMastered(open)) continue;
      const found = (skillId: string): PlanNext => ({ slotId, skillId, missingForId: skillId === open ? null : open });
      const skillId = standsOn(open, student, prerequisitesOf);
      if (elsewhere.has(skillId)) {
        lastResort ??= found(open);
        continue;
      }
      if (!student.rests(skillId)) return found(skillId);
      const [under] = prerequisitesOf(skillId)
        .filter((id) => !student.isMastered(id) && !student.rests(id) && !elsewhere.has(id))
        .sort((one, other) => rank(one) - rank(other));
      if (under !== undefined) return found(under);
      lastResort ??= found(skillId);
    }
  return lastResort;
}

const isAllowedAt = (where: PlanPlace, place: PlanPlace): boolean =>
  where === "both" || place === "both" || where === place;

/** Skills that are planned for another place alone. */
function plannedElsewhere(slots: readonly OfferedSlot[], place: PlanPlace): ReadonlySet<string> {
  const planned = (isAllowed: boolean) =>
    slots
      .filter(({ dates, where }) => dates !== null && isAllowedAt(where, place) === isAllowed)
      .flatMap(({ skillIds }) => skillIds);
  const here = new Set(planned(true));
  return new Set(planned(false).filter((id) => !here.has(id)));
}

function inTurn(
  slots: readonly OfferedSlot[],
  { startSlotId }: PlanStudent,
  { pace, today, place }: PlanMoment,
): readonly OfferedSlot[] {
  const start = Math.max(
    0,
    slots.findIndex(({ id }) => id === startSlotId),
  );
  const offered = slots.slice(start).filter(({ dates, where }) => dates !== null && isAllowedAt(where, place));
  if (pace === "own") return offered;
  const ahead = offered.filter(({ dates }) => dates !== null && dates.fromDay > today);
  const begun = offered.filter((slot) => !ahead.includes(slot));
  const present = begun.filter(({ dates }) => dates !== null && dates.targetDay >= today);
  return [...present, ...begun.filter((slot) => !present.includes(slot)), ...ahead];
}

/** The skill itself, or the missing one under it that stands on something. */
function standsOn(
  skillId: string,
  { chanceOf, isMastered }: PlanStudent,
  prerequisitesOf: (skillId: string) => readonly string[],
): string {
  let at = skillId;
  const seen = new Set([at]);
  for (let steps = 0; steps < MOST_STEPS; steps++) {
    const missing = prerequisitesOf(at).find((id) => !seen.has(id) && !isMastered(id) && chanceOf(id) < MISSING_UNDER);
    if (missing === undefined) return at;
    seen.add(missing);
    at = missing;
  }
  return at;
}
