import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import { groupBy } from "@/core/collections/groupBy";
import type { ReviewPlace, ReviewSettings } from "@/core/model/reviewSettings";
import { minutesOfMeeting } from "@/core/review/minutesOfMeeting";
import { ownPace } from "@/core/review/ownPace";
import type { PastReview } from "@/core/review/pastReviews";
import type { ReviewSkill } from "@/core/review/reviewSkill";
import { type MetSkill, type ReviewDecision, skillsInReview } from "@/core/review/skillsInReview";
import { USUAL_REVIEW } from "@/core/review/usualReview";
import { classScope } from "@/core/roster/classScope";
import {
  type ReviewSettingsRow,
  type ReviewSkillRow,
  reviewSettingsOf,
  reviewSkillsOf,
  timeBySkill,
} from "@/db/queries/review";
import { skillDaysOf, skillStatesOf } from "@/db/queries/summaries";
import type { Queryable } from "@/db/queryable";
import { type LibrarySkill, libraryOf } from "@/server/library/library";
import type { Runtime } from "@/server/runtime/runtime";
import { todayOf } from "@/server/runtime/school";
import { pastReviews } from "./pastReviews";

/** What the past says of a student's pace is read so far back. */
const PACE_DAYS = 120;

/** A skill as it stands in one student's review. */
export interface OwnReviewSkill extends ReviewSkill {
  readonly place: ReviewPlace;
  readonly enteredDay: number;
  /** By whose choice it is where it is; null where it came by being mastered. */
  readonly chosen: "student" | "class" | null;
  /** Day of the last right first try; null before there was one. */
  readonly lastRightDay: number | null;
}

/** How one student of a class keeps what was learned. */
export interface StudentReview {
  readonly on: boolean;
  readonly settings: ReviewSettings;
  /** What the student has that differs from the class. */
  readonly own: ReviewSettingsRow | null;
  /** Those in review, those that rest, and those that were dropped; memories at the student's own pace. */
  readonly skills: readonly OwnReviewSkill[];
  /** Past meetings, as those memories would have been taken for. */
  readonly reviews: readonly PastReview[];
}

export interface ClassReview {
  readonly on: boolean;
  readonly settings: ReviewSettings;
  /** Null before anybody set it. */
  readonly row: ReviewSettingsRow | null;
  /** What may be reviewed: the skills of the class's subject that have items. */
  readonly scope: readonly LibrarySkill[];
  /** Where skills were put for the whole class. */
  readonly ofClass: readonly ReviewDecision[];
  readonly students: ReadonlyMap<string, StudentReview>;
}

/** The review of some students in a class. Nothing of it is kept but settings and choices: the rest follows from the summaries. */
export async function reviewOf(
  db: Queryable,
  runtime: Runtime,
  home: { readonly id: string; readonly schoolId: string; readonly subject: string },
  personIds: readonly string[],
): Promise<ClassReview> {
  const today = dayNumber(await todayOf(runtime, home.schoolId));
  const [settings, decisions, states, times, library, days] = await Promise.all([
    reviewSettingsOf(db, [home.id]),
    reviewSkillsOf(db, home.id, personIds),
    skillStatesOf(db, personIds),
    timeBySkill(db, personIds),
    libraryOf(runtime),
    skillDaysOf(db, personIds, today - PACE_DAYS),
  ]);
  const daysOf = groupBy(days, ({ personId }) => personId);
  const scope = library
    .skillsIn(classScope([home.subject], library.subjectsAt(home.schoolId)))
    .filter(({ items }) => items > 0);
  const byId = new Map(scope.map((skill) => [skill.id, skill]));
  const row = settings.find(({ personId }) => personId === null) ?? null;
  const ofClass = decisionsIn(decisions, null);
  const whole: ReviewSettings = { ...USUAL_REVIEW, ...row?.settings };
  const students = personIds.map((personId): readonly [string, StudentReview] => {
    const own = settings.find((one) => one.personId === personId) ?? null;
    const said: ReviewSettings = { ...whole, ...own?.settings };
    const ownStates = new Map(
      states.flatMap((one) => (one.personId === personId ? [[one.skillId, one] as const] : [])),
    );
    const past = pastReviews(daysOf.get(personId) ?? [], (skillId) => ownStates.get(skillId)?.masteredDay);
    const pace = ownPace(past);
    const met = new Map<string, MetSkill>();
    for (const [skillId, { stabilityDays, memoryDifficulty, lastDay, masteredDay }] of ownStates)
      met.set(skillId, {
        memory: { stabilityDays: stabilityDays * pace, difficulty: memoryDifficulty },
        lastDay,
        masteredDay,
      });
    const timeOf = new Map(times.flatMap((one) => (one.personId === personId ? [[one.skillId, one] as const] : [])));
    const skills = skillsInReview(said.entering, { ofClass, ofStudent: decisionsIn(decisions, personId) }, met).flatMap(
      (one): OwnReviewSkill[] => {
        const skill = byId.get(one.skillId);
        if (!skill) return [];
        const time = timeOf.get(one.skillId);
        const minutes = minutesOfMeeting(time ?? { answered: 0, milliseconds: 0 });
        return [{ ...one, strandId: skill.strandId, minutes, lastRightDay: time?.lastRightDay ?? null }];
      },
    );
    const reviews = past.map((one) => ({ ...one, stabilityDays: one.stabilityDays * pace }));
    return [personId, { on: own?.on ?? row?.on ?? false, settings: said, own, skills, reviews }];
  });
  return { on: row?.on ?? false, settings: whole, row, scope, ofClass, students: new Map(students) };
}

const decisionsIn = (rows: readonly ReviewSkillRow[], whose: string | null): ReviewDecision[] =>
  rows.flatMap(({ personId, skillId, place, day }) =>
    personId === whose ? [{ skillId, place, day: dayNumber(day) }] : [],
  );

/** Whether a student has something that differs from the class. */
export const differs = ({ own }: StudentReview, { on }: Pick<ClassReview, "on">): boolean =>
  own !== null && (own.on !== on || Object.keys(own.settings).length > 0);

/** Those that are asked. */
export const asked = ({ skills }: StudentReview): OwnReviewSkill[] => skills.filter(({ place }) => place === "in");

/** Those that were mastered once and are asked or rest: what there is to remember. */
export const remembering = (review: StudentReview): OwnReviewSkill[] =>
  kept(review).filter(({ wasMastered }) => wasMastered !== false);

/** Those that are asked or rest. */
export const kept = ({ skills }: StudentReview): OwnReviewSkill[] => skills.filter(({ place }) => place !== "dropped");
