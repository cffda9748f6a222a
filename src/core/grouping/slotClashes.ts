/** When a group meets: lessons such as "1-3" (Monday, third lesson) within its days. An empty end has no end. */
export interface Meeting {
  readonly groupId: string;
  readonly slots: readonly string[];
  readonly fromDay: string;
  readonly untilDay: string | null;
}

export interface SlotClash {
  readonly personId: string;
  readonly otherGroupId: string;
  readonly slot: string;
}

/**
 * Members who would have to be in two groups in the same lesson of the same weeks.
 * @example slotClashes({ groupId: "g", slots: ["1-2"], fromDay: "2026-11-23", untilDay: null }, ["ada"], [{ groupId: "h", personId: "ada", slots: ["1-2"], fromDay: "2026-11-23", untilDay: null }]).length // 1
 */
export function slotClashes(
  meeting: Meeting,
  memberIds: readonly string[],
  others: readonly (Meeting & { readonly personId: string })[],
): SlotClash[] {
  const members = new Set(memberIds);
  return others.flatMap(({ personId, groupId, slots, fromDay, untilDay }) => {
    if (!members.has(personId) || groupId === meeting.groupId) return [];
    const overlap =
      (untilDay === null || untilDay >= meeting.fromDay) && (meeting.untilDay === null || fromDay <= meeting.untilDay);
    if (!overlap) return [];
    return slots
      .filter((slot) => meeting.slots.includes(slot))
      .map((slot) => ({ personId, otherGroupId: groupId, slot }));
  });
}

const DAYS_A_WEEK = 5;
export const LESSONS_A_DAY = 8;
/** A lesson of the week as it is written: weekday 1 to 5, a dash, lesson of the day. */
export const SLOT = new RegExp(`^[1-${DAYS_A_WEEK}]-[1-${LESSONS_A_DAY}]$`);
