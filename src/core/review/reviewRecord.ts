import { type ShareInterval, wilson } from "../measurement/wilson";
import { mean } from "../numeric/mean";

/** One first try at a skill in review or in other work, with the minutes it took. */
export interface ReviewMeeting {
  readonly skillId: string;
  readonly day: number;
  readonly right: boolean;
  readonly minutes: number;
  readonly inReview: boolean;
}

export interface ReviewRecord {
  /** First-try accuracy in review with its 95 % interval. */
  readonly accuracy: ShareInterval;
  /** Share of all working time that went to review; null without any work. */
  readonly timeShare: number | null;
  /** Mean days between two meetings of the same skill in review; null before a second one. */
  readonly daysBetween: number | null;
}

const LEVEL = 0.95;

/**
 * What review was over a time: how much was right at once, what it cost, and how far its meetings lay apart.
 * @example reviewRecord([{ skillId: "a", day: 100, right: true, minutes: 1, inReview: true }]).accuracy.share // 1
 */
export function reviewRecord(meetings: readonly ReviewMeeting[]): ReviewRecord {
  const review = meetings.filter(({ inReview }) => inReview);
  const minutes = (list: readonly ReviewMeeting[]) => list.reduce((sum, meeting) => sum + meeting.minutes, 0);
  const days = new Map<string, Set<number>>();
  for (const { skillId, day } of review) days.set(skillId, (days.get(skillId) ?? new Set()).add(day));
  const gaps = [...days.values()].flatMap((own) => {
    const rising = [...own].sort((x, y) => x - y);
    return rising.slice(1).map((day, place) => day - (rising[place] ?? day));
  });
  return {
    accuracy: wilson(review.filter(({ right }) => right).length, review.length, LEVEL),
    timeShare: minutes(meetings) > 0 ? minutes(review) / minutes(meetings) : null,
    daysBetween: gaps.length > 0 ? mean(gaps) : null,
  };
}
