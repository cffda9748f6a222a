import "server-only";
import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import { dayNumber } from "@/core/calendar/dayNumber";
import { mondayOf } from "@/core/calendar/mondayOf";
import { gaugesOfStudent } from "@/core/mastery/gaugesOfStudent";
import { classesOfStudent, personById } from "@/db/queries/people";
import { skillDaysOf, skillStatesOf } from "@/db/queries/summaries";
import { worksOfStudent } from "@/db/queries/work";
import { statesByStudent } from "@/server/classroom/skillStates";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, schoolOf } from "@/server/runtime/school";
import type { StudentHome, StudentWork } from "../types";

/** Work that is finished, or whose time ran out, stays on the student's page for this long. */
const SHOW_DONE_MILLISECONDS = 14 * 86_400_000;

export async function studentHome(context: Context): Promise<StudentHome> {
  const { runtime, actor } = context;
  if (actor.kind !== "student") throw new Refusal("not-allowed", "This page is for students.");
  const [person, library, school] = await Promise.all([
    personById(runtime.db.read, actor.personId),
    libraryOf(runtime),
    schoolOf(runtime, actor.schoolId),
  ]);
  const now = runtime.now();
  const schoolDay = dayAt(school, now);
  const today = dayNumber(schoolDay);
  const classes = person?.grade == null ? await classesOfStudent(runtime.db.read, actor.personId, schoolDay) : [];
  const states =
    statesByStudent(await skillStatesOf(runtime.db.read, [actor.personId])).get(actor.personId) ?? new Map();
  const gauges = gaugesOfStudent({ grade: person?.grade ?? classes[0]?.grade ?? null, states }, library.skills, today);
  const monday = mondayOf(today);
  const week = await skillDaysOf(runtime.db.read, [actor.personId], monday);
  const works = (await worksOfStudent(runtime.db.read, actor.personId)).map(({ work, sitting }) => ({
    finishedAt: sitting?.finishedAt ?? null,
    opensAt: work.opensAt,
    dueAt: work.dueAt,
    view: {
      workId: work.id,
      title: work.title,
      kind: work.kind,
      progress: (sitting?.progressPermille ?? 0) / 1000,
      begun: sitting !== null,
      finished: sitting?.finishReason ?? null,
      due: format(new TZDate(work.dueAt, school.timeZone), "EEEE d MMMM"),
      overdue: work.dueAt < now,
      opens: work.opensAt > now ? format(new TZDate(work.opensAt, school.timeZone), "EEEE d MMMM") : null,
    } satisfies StudentWork,
  }));
  const open = works.filter(({ finishedAt, dueAt }) => finishedAt === null && dueAt >= now);
  return {
    name: person?.givenName ?? "",
    serverNow: now,
    now: open.filter(({ opensAt }) => opensAt <= now).map(({ view }) => view),
    later: open.filter(({ opensAt }) => opensAt > now).map(({ view }) => view),
    over: works
      .filter(({ finishedAt, dueAt }) => finishedAt === null && dueAt < now && now - dueAt < SHOW_DONE_MILLISECONDS)
      .map(({ view }) => view),
    done: works
      .filter(({ finishedAt }) => finishedAt !== null && now - finishedAt < SHOW_DONE_MILLISECONDS)
      .sort((x, y) => (y.finishedAt ?? 0) - (x.finishedAt ?? 0))
      .map(({ view }) => view),
    river: library.skills
      .filter((skill) => (gauges.get(skill.id)?.scoredAnswers ?? 0) > 0)
      .sort((x, y) => (states.get(x.id)?.masteredDay ?? 1e9) - (states.get(y.id)?.masteredDay ?? 1e9))
      .map((skill) => ({
        name: skill.studentName,
        chance: gauges.get(skill.id)?.chance ?? 0,
        mark: gauges.get(skill.id)?.mark ?? "never",
      })),
    minutesThisWeek: Math.round(week.reduce((sum, { milliseconds }) => sum + milliseconds, 0) / 60_000),
  };
}
