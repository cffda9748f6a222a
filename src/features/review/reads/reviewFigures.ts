import "server-only";
import { mean } from "@/core/numeric/mean";
import { median } from "@/core/numeric/median";
import { fullRound } from "@/core/review/fullRound";
import { type MinutesNeeded, minutesNeeded } from "@/core/review/minutesNeeded";
import { reviewRecord } from "@/core/review/reviewRecord";
import { shareRemembered } from "@/core/review/shareRemembered";
import { skillsThatFit } from "@/core/review/skillsThatFit";
import { REVIEW_DAYS_A_WEEK } from "@/core/review/usualReview";
import { factDaysOf } from "@/db/queries/facts";
import { timeByKind } from "@/db/queries/review";
import type { Queryable } from "@/db/queryable";
import { asked, kept, remembering, type StudentReview } from "@/server/review/reviewOf";
import type { ReviewFigures, TimeLine } from "../types";
import type { ReviewTry } from "./loadReview";

const MILLISECONDS_PER_MINUTE = 60_000;

/** Minutes a week that one student's review needs, against those given. */
export const minutesOf = (review: StudentReview): MinutesNeeded =>
  minutesNeeded(asked(review), review.settings.minutesADay * REVIEW_DAYS_A_WEEK, review.settings.wantedRecall);

/** What the students who review come to, day by day; null with nothing in anybody's review. */
export function reviewFigures(
  students: readonly (readonly [string, StudentReview])[],
  tries: readonly ReviewTry[],
  day: number,
): ReviewFigures | null {
  const having = students.filter(([, review]) => kept(review).length > 0);
  if (having.length === 0) return null;
  const shares = having.flatMap(([, review]) => {
    const found = shareRemembered(remembering(review), day);
    return "share" in found ? [found.share] : [];
  });
  const minutes = having.map(([, review]) => ({ skills: asked(review).length, ...minutesOf(review) }));
  const rounds = having.flatMap(([, review]) => fullRound(asRound(review), day, review.settings.wantedRecall) ?? []);
  const accuracies = having.flatMap(([personId]) => {
    const own = tries.filter((one) => one.personId === personId);
    const { share, n } = accuracyOf(own);
    return share === null ? [] : [{ share, n }];
  });
  const fits = minutes.map((own) => skillsThatFit(own.skills, own)).filter((one) => one !== null);
  return {
    remembered: shares.length === 0 ? null : mean(shares),
    mastered: Math.round(median(having.map(([, review]) => remembering(review).length))),
    skills: Math.round(median(having.map(([, review]) => kept(review).length))),
    needed: mean(minutes.map(({ needed }) => needed)),
    given: mean(minutes.map(({ given }) => given)),
    short: minutes.filter(({ share }) => share !== null && share < 1).length,
    round:
      rounds.length === 0
        ? { days: 0, good: 0, overdue: 0 }
        : {
            days: Math.round(median(rounds.map(({ days }) => days))),
            good: Math.round(median(rounds.map(({ good }) => good))),
            overdue: mean(rounds.map(({ overdue }) => overdue)),
          },
    accuracy:
      accuracies.length === 0
        ? null
        : {
            share: mean(accuracies.map(({ share }) => share)),
            answers: accuracies.reduce((sum, { n }) => sum + n, 0),
          },
    fits: fits.length === 0 ? null : Math.round(median(fits)),
  };
}

const accuracyOf = (own: readonly ReviewTry[]) =>
  reviewRecord(own.map((one) => ({ ...one, minutes: 0, inReview: true }))).accuracy;

const asRound = (review: StudentReview) =>
  asked(review).map(({ memory, enteredDay, lastRightDay }) => ({
    stabilityDays: memory.stabilityDays,
    enteredDay,
    lastRightDay,
  }));

/** What some students' working time went to, kind by kind, number facts beside; the longest first. */
export async function timeLines(
  db: Queryable,
  personIds: readonly string[],
  since: number,
  sinceDay: string,
): Promise<TimeLine[]> {
  const [kinds, facts] = await Promise.all([timeByKind(db, personIds, since), factDaysOf(db, personIds, sinceDay)]);
  const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);
  const lines = [
    ...kinds,
    {
      kind: "facts" as const,
      milliseconds: sum(facts.map(({ milliseconds }) => milliseconds)),
      done: sum(facts.map(({ answered }) => answered)),
      right: sum(facts.map(({ right }) => right)),
    },
  ].filter(({ milliseconds }) => milliseconds > 0);
  const all = sum(lines.map(({ milliseconds }) => milliseconds));
  return lines
    .map(({ kind, milliseconds, done, right }) => ({
      kind,
      minutes: milliseconds / MILLISECONDS_PER_MINUTE,
      share: milliseconds / all,
      right: done > 0 ? right / done : null,
    }))
    .sort((x, y) => y.minutes - x.minutes);
}
