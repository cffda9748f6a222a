import "server-only";
import { isSchoolDay } from "@/core/calendar/isSchoolDay";
import type { ComparedStudent } from "@/core/review/compareForecasts";
import { openSkillsOf } from "@/db/queries/work";
import { kept } from "@/server/review/reviewOf";
import type { Context } from "@/server/runtime/context";
import { forecastApart } from "@/server/runtime/reviewThread";
import type { ReviewForecast } from "../types";
import { loadReview, reviewing } from "./loadReview";

const WEEKS_AHEAD = 8;
/** Runs for a class and for one student, who has no classmates to even chance out. */
const RUNS = { class: 30, student: 200 } as const;

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
  const open = await openSkillsOf(db, ids, context.runtime.now());
  const taught = Array.from({ length: WEEKS_AHEAD * 7 }, (_, ahead) =>
    isSchoolDay(day + 1 + ahead, classroom.school.calendar),
  );
  const students = whose.map(([, own]): ComparedStudent => {
    const skills = kept(own);
    return {
      skills,
      reviews: own.reviews,
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
