import "server-only";
import { isSchoolDay } from "@/core/calendar/isSchoolDay";
import { groupBy } from "@/core/collections/groupBy";
import type { ComparedStudent } from "@/core/review/compareForecasts";
import type { PastReview } from "@/core/review/pastReviews";
import { skillDaysOf } from "@/db/queries/summaries";
import { openSkillsOf } from "@/db/queries/work";
import { kept } from "@/server/review/reviewOf";
import type { Context } from "@/server/runtime/context";
import { forecastApart } from "@/server/runtime/reviewThread";
import type { ReviewForecast } from "../types";
import { loadReview, reviewing } from "./loadReview";

const WEEKS_AHEAD = 8;
/** What the past says of memory is read so far back. */
const DAYS_BACK = 120;
/** Runs for a class and for one student, who has no classmates to even chance out. */
const RUNS = { class: 40, student: 200 } as const;

export interface ForecastWish {
  readonly classId: string;
  /** Null for all who review. */
  readonly studentId: string | null;
  readonly rest: readonly string[];
  readonly drop: readonly string[];
}

/** What resting or dropping some skills would change in the coming weeks. Nothing is kept. */
export async function reviewForecast(
  context: Context,
  { classId, studentId, rest, drop }: ForecastWish,
): Promise<ReviewForecast> {
  const { review, classroom, day } = await loadReview(context, classId);
  const whose = reviewing(review).filter(([id]) => studentId === null || id === studentId);
  const ids = whose.map(([id]) => id);
  const db = context.runtime.db.read;
  const [days, open] = await Promise.all([
    skillDaysOf(db, ids, day - DAYS_BACK),
    openSkillsOf(db, ids, context.runtime.now()),
  ]);
  const taught = Array.from({ length: WEEKS_AHEAD * 7 }, (_, ahead) =>
    isSchoolDay(day + 1 + ahead, classroom.school.calendar),
  );
  const byPerson = groupBy(days, ({ personId }) => personId);
  const students = whose.map(([id, own]): ComparedStudent => {
    const skills = kept(own);
    return {
      skills,
      reviews: pastReviews(byPerson.get(id) ?? []),
      outlook: {
        fromDay: day + 1,
        taught,
        minutesPerDay: own.settings.minutesADay,
        wanted: own.settings.wantedRecall,
        resting: skills.flatMap(({ skillId, place }) => (place === "resting" ? [skillId] : [])),
      },
    };
  });
  const runs = studentId === null ? RUNS.class : RUNS.student;
  const chosen = new Set([...rest, ...drop]);
  const nameOf = new Map(review.scope.map((skill) => [skill.id, skill.name]));
  const assigned = new Map(
    open.flatMap(({ skillId, title }) =>
      chosen.has(skillId) ? [[`${skillId} ${title}`, { skill: nameOf.get(skillId) ?? "", work: title }] as const] : [],
    ),
  );
  return {
    students: students.filter(({ skills }) => skills.length > 0).length,
    ...(await forecastApart({ students, rest, drop, runs })),
    assigned: [...assigned.values()],
  };
}

/** Meetings on later days, each with what the memory was taken for before it. A day counts as recalled where most of its first tries were right. */
function pastReviews(days: Awaited<ReturnType<typeof skillDaysOf>>): PastReview[] {
  return [...groupBy(days, ({ skillId }) => skillId)].flatMap(([skillId, own]) => {
    const rising = [...own].sort((x, y) => x.day - y.day);
    return rising.slice(1).flatMap((met, place): PastReview[] => {
      const before = rising[place];
      if (!before?.stabilityDays || met.answered === 0) return [];
      return [
        {
          skillId,
          stabilityDays: before.stabilityDays,
          elapsedDays: met.day - before.day,
          right: met.right * 2 >= met.answered,
        },
      ];
    });
  });
}
