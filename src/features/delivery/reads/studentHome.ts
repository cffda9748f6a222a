import "server-only";
import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import { dayNumber } from "@/core/calendar/dayNumber";
import { mondayOf } from "@/core/calendar/mondayOf";
import { gaugesOfStudent } from "@/core/mastery/gaugesOfStudent";
import { inPrecedence } from "@/core/plan/precedence";
import { isOver } from "@/core/work/isOver";
import { classesOfStudent, personById } from "@/db/queries/people";
import { classesWithRunningPlan } from "@/db/queries/plan";
import { skillDaysOf, skillStatesOf } from "@/db/queries/summaries";
import { worksOfStudent } from "@/db/queries/work";
import { placeOfAddress } from "@/server/access/placeOfAddress";
import { statesByStudent } from "@/server/classroom/skillStates";
import { libraryOf } from "@/server/library/library";
import { ownNext } from "@/server/plan/ownNext";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, type School, schoolOf } from "@/server/runtime/school";
import type { StudentHome, StudentNext, StudentWork } from "../types";

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
    ofPlan: work.planId !== null,
    kind: work.groupId === null ? ("due-work" as const) : ("detour" as const),
    dueDay: work.dueAt === null ? null : dayAt(school, work.dueAt),
    view: {
      workId: work.id,
      title: work.title,
      kind: work.kind,
      progress: (sitting?.progressPermille ?? 0) / 1000,
      begun: sitting !== null,
      finished: sitting?.finishReason ?? null,
      due: work.dueAt === null ? null : format(new TZDate(work.dueAt, school.timeZone), "EEEE d MMMM"),
      overdue: isOver(work.dueAt, now),
      opens: work.opensAt > now ? format(new TZDate(work.opensAt, school.timeZone), "EEEE d MMMM") : null,
    } satisfies StudentWork,
  }));
  // What the plan gives stands in its own line, whatever was begun of it.
  const open = works.filter(({ finishedAt, dueAt, ofPlan }) => finishedAt === null && !isOver(dueAt, now) && !ofPlan);
  return {
    name: person?.givenName ?? "",
    serverNow: now,
    now: inPrecedence(open.filter(({ opensAt }) => opensAt <= now)).map(({ view }) => view),
    next: await nextOfPlans(context, school, schoolDay),
    later: open.filter(({ opensAt }) => opensAt > now).map(({ view }) => view),
    over: works
      .filter(
        ({ finishedAt, dueAt }) =>
          finishedAt === null && isOver(dueAt, now) && !isOver(dueAt, now - SHOW_DONE_MILLISECONDS),
      )
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

/** What the plans that run by themselves give next at the place where the student is, in the order of their classes. */
async function nextOfPlans(context: Context, school: School, schoolDay: string): Promise<StudentNext[]> {
  const { runtime, actor } = context;
  const db = runtime.db.read;
  const classes = await classesOfStudent(db, actor.personId, schoolDay);
  const running = await classesWithRunningPlan(
    db,
    classes.map(({ id }) => id),
  );
  const library = await libraryOf(runtime);
  const place = placeOfAddress(school.networks, context.address);
  const found: StudentNext[] = [];
  for (const classId of running) {
    const { plan, next, run, onlyElsewhere } = await ownNext(db, runtime, {
      classId,
      personId: actor.personId,
      place,
    });
    found.push({
      classId,
      subject: library.subjects.find(({ id }) => id === plan.subjectId)?.name ?? "",
      open: next
        ? {
            title: library.skill(next.skillId).studentName,
            neededFor: next.missingForId === null ? null : library.skill(next.missingForId).studentName,
            begun: run !== null && run.finishedAt === null,
          }
        : null,
      onlyElsewhere,
    });
  }
  return found;
}
