import "server-only";
import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import { dayNumber } from "@/core/calendar/dayNumber";
import { gaugesOfStudent } from "@/core/mastery/gaugesOfStudent";
import { inPrecedence } from "@/core/plan/precedence";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { type WindowStanding, windowFor, windowStanding } from "@/core/work/workWindow";
import { commentsTo } from "@/db/queries/live";
import { classesOfStudent, personById } from "@/db/queries/people";
import { classesWithRunningPlan } from "@/db/queries/plan";
import { worksOfStudent } from "@/db/queries/work";
import { placeOfAddress } from "@/server/access/placeOfAddress";
import { knownOf } from "@/server/classroom/knownOf";
import { libraryOf } from "@/server/library/library";
import { ownNext } from "@/server/plan/ownNext";
import { ownReviews } from "@/server/review/ownReviews";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, type School, schoolOf } from "@/server/runtime/school";
import type { StudentHome, StudentNext, StudentReviewToday, StudentWork } from "../types";
import { daysOf } from "./daysOf";
import { maySee, releasedWords } from "./released";
import { linesOf } from "./signs";

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
  const { states, placements } = (await knownOf(runtime.db.read, [actor.personId]))(actor.personId);
  const gauges = gaugesOfStudent(
    { grade: person?.grade ?? classes[0]?.grade ?? null, states, placements },
    library.skills,
    today,
  );
  const days = await daysOf(runtime.db.read, school, actor.personId, now);
  const given = await worksOfStudent(runtime.db.read, actor.personId, now - SHOW_DONE_MILLISECONDS);
  const words = await releasedWords(
    runtime.db.read,
    given.map(({ work }) => work.id),
  );
  const comments = new Map<string | null, string[]>();
  for (const { assignmentId, text } of await commentsTo(runtime.db.read, actor.personId))
    comments.set(assignmentId, [...(comments.get(assignmentId) ?? []), text]);
  const works = given.map(({ work, target, sitting, throughAt }) => {
    const times = windowFor(work, target);
    const standing = windowStanding(times, now);
    return {
      finishedAt: target.excusedAt ?? throughAt,
      standing,
      closedAt: times.closesAt ?? 0,
      opensAt: work.opensAt,
      ofPlan: work.planId !== null,
      isOwn: work.isOwnChoice,
      isReview: work.isReview,
      isFirst: work.goesFirst,
      kind: work.groupId === null ? ("due-work" as const) : ("detour" as const),
      dueDay: times.dueAt === null ? null : dayAt(school, times.dueAt),
      view: {
        workId: work.id,
        title: work.title,
        kind: work.kind,
        partCount: work.partCount,
        progress: (sitting?.progressPermille ?? 0) / 1000,
        begun: sitting !== null,
        finished: throughAt === null ? null : (sitting?.finishReason ?? null),
        excused: target.excusedAt !== null,
        due: times.dueAt === null ? null : format(new TZDate(times.dueAt, school.timeZone), "EEEE d MMMM"),
        until: times.closesAt === null ? null : format(new TZDate(times.closesAt, school.timeZone), "EEEE d MMMM"),
        late: standing === "late",
        overdue: standing === "closed",
        opens: work.opensAt > now ? format(new TZDate(work.opensAt, school.timeZone), "EEEE d MMMM") : null,
        hasResults:
          sitting !== null &&
          maySee("score", { work, target, part: work, run: sitting, word: words.get(work.id) ?? [] }, now),
        onPaper: work.partCount === 1 && conductorOf(work.kind).onPaper,
        waitsFor: null,
        again: throughAt === null && sitting?.finishReason != null && work.partCount === 1,
        comments: comments.get(work.id) ?? [],
      } satisfies StudentWork,
    };
  });
  const first = works.find(({ isFirst, finishedAt, standing }) => isFirst && finishedAt === null && isNow(standing));
  // What the plan gives, what comes back, and what they chose, stands in its own line, whatever was begun of it.
  const open = works.filter(
    ({ finishedAt, standing, ofPlan, isOwn, isReview }) =>
      finishedAt === null && standing !== "closed" && !ofPlan && !isOwn && !isReview,
  );
  const inOrder = inPrecedence(open.filter(({ standing }) => isNow(standing)));
  const waiting = (view: StudentWork): StudentWork =>
    first && view.workId !== first.view.workId ? { ...view, waitsFor: first.view.title } : view;
  return {
    name: person?.givenName ?? "",
    serverNow: now,
    lines: await linesOf(runtime.db.read, actor.personId),
    now: [...inOrder.filter((one) => one === first), ...inOrder.filter((one) => one !== first)].map(({ view }) =>
      waiting(view),
    ),
    next: first ? [] : await nextOfPlans(context, school, schoolDay),
    reviews: first ? [] : await reviewsToday(context),
    later: open.filter(({ standing }) => standing === "scheduled").map(({ view }) => view),
    over: works
      .filter(
        ({ finishedAt, standing, closedAt }) =>
          finishedAt === null && standing === "closed" && closedAt >= now - SHOW_DONE_MILLISECONDS,
      )
      .map(({ view }) => view),
    done: works
      .filter(
        ({ finishedAt, isReview }) => !isReview && finishedAt !== null && now - finishedAt < SHOW_DONE_MILLISECONDS,
      )
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
    days,
    own: works.filter(({ isOwn, finishedAt }) => isOwn && finishedAt === null).map(({ view }) => view),
  };
}

const isNow = (standing: WindowStanding): boolean => standing === "open" || standing === "late";

/** What comes back today, class by class; nothing where nothing is due and nothing was done. */
async function reviewsToday({ runtime, actor }: Context): Promise<StudentReviewToday[]> {
  return (await ownReviews(runtime.db.read, runtime, actor)).flatMap(({ class: home, subjectName, queue, run }) => {
    const begun = run?.today === true;
    if (queue.skillIds.length === 0 && !begun) return [];
    return [
      {
        classId: home.id,
        subject: subjectName,
        skills: queue.skillIds.length,
        minutes: Math.max(1, Math.round(queue.minutes)),
        state: begun ? (run.finished ? ("done" as const) : ("begun" as const)) : ("due" as const),
      },
    ];
  });
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
