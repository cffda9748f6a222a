import "server-only";
import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import { dayNumber } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { factFamilies } from "@/core/fluency/factFamilies";
import { factFluency } from "@/core/fluency/factFluency";
import { factId } from "@/core/fluency/factId";
import { factMomentum } from "@/core/fluency/factMomentum";
import { familiesOf, USUAL_FACT_SETTINGS } from "@/core/fluency/factSettings";
import { familiesToPlace } from "@/core/fluency/familiesToPlace";
import { placeFacts } from "@/core/fluency/placeFacts";
import { attemptsAtFact, attemptsOfKindBy, factDaysOf, factSettingsOf } from "@/db/queries/facts";
import { classesById, studentsOfClasses } from "@/db/queries/people";
import { demand } from "@/server/access/demand";
import { studentSubject } from "@/server/access/studentSubject";
import { demandClasses } from "@/server/access/subjects";
import { fullNames } from "@/server/classroom/names";
import { factClassOf, factStandings } from "@/server/facts/factStanding";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { schoolOf, todayOf } from "@/server/runtime/school";
import type { ClassFactsView, FactHistoryLine, FactLine, StudentFactsView } from "../types";
import { daysOfFacts, knownFamilies, placementOf, todayOfFacts } from "./ownFacts";

/** Weeks of days that the views look back over. */
const DAYS_SHOWN = 42;
const MOST_HISTORY = 40;
const SECONDS_PER_MINUTE = 60;
const MILLISECONDS = 1000;

/** So many classes stand on one page. */
const MOST_CLASSES = 6;

/** How some classes stand in their number facts, the first six of them. */
export async function classesFacts(context: Context, classIds: readonly string[]): Promise<ClassFactsView[]> {
  const views: ClassFactsView[] = [];
  for (const classId of classIds.slice(0, MOST_CLASSES)) views.push(await classFacts(context, classId));
  return views;
}

/** How a class stands in its number facts, by family. */
export async function classFacts(context: Context, classId: string): Promise<ClassFactsView> {
  await demandClasses(context, "see", [classId]);
  const { runtime, actor } = context;
  const db = runtime.db.read;
  const today = await todayOf(runtime, actor.schoolId);
  const [[home], rows, students] = await Promise.all([
    classesById(db, [classId]),
    factSettingsOf(db, [classId]),
    studentsOfClasses(db, [classId], today),
  ]);
  const ids = students.map(({ person }) => person.id);
  const since = dayOfNumber(dayNumber(today) - DAYS_SHOWN);
  const [standings, days, placed] = await Promise.all([
    factStandings(db, classId, ids),
    factDaysOf(db, ids, since),
    attemptsOfKindBy(db, ids, "place"),
  ]);
  const ofClass = rows.find(({ personId }) => personId === null);
  const settings = { ...USUAL_FACT_SETTINGS, ...ofClass?.settings };
  const names = fullNames(students.map(({ person }) => person));
  return {
    classId,
    className: home?.name ?? "",
    on: ofClass?.on ?? false,
    settings,
    today,
    familyIds: familiesOf(settings)
      .flat()
      .map(({ id }) => id),
    lines: ids.flatMap((studentId): FactLine[] => {
      const standing = standings.get(studentId);
      if (!standing) return [];
      const own = days.filter(({ personId }) => personId === studentId);
      const dayOf = own.map((row) => ({ ...row, day: dayNumber(row.day), seconds: row.milliseconds / MILLISECONDS }));
      const now = todayOfFacts(
        own.find(({ day }) => day === today),
        standing,
      );
      const known = knownFamilies(standing);
      const momentum = factMomentum(dayOf, dayNumber(today));
      const families = familiesOf(standing.settings);
      const answers = placementOf(
        placed.filter(({ personId }) => personId === studentId),
        families.flat(),
        standing,
      );
      const placing = placeFacts(familiesToPlace(families, answers), answers).some(({ ended }) => ended === null);
      return [
        {
          studentId,
          name: names.get(studentId) ?? "",
          on: standing.on,
          differs:
            standing.own !== null && (standing.own.on !== ofClass?.on || Object.keys(standing.own.settings).length > 0),
          stage: standing.typing === null ? "not-begun" : placing ? "placement" : "practice",
          families: known,
          lastDay: own.at(-1)?.day ?? null,
          today: { minutes: now.seconds / SECONDS_PER_MINUTE, inTime: now.inTime, goal: now.goal },
          ...momentum,
          // Where everything is known, nothing new can come.
          stalled: momentum.stalled && known.some((family) => family.known < family.of),
        },
      ];
    }),
  };
}

/** One student's facts: each by its chance of being known, and the days. */
export async function studentFacts(context: Context, studentId: string): Promise<StudentFactsView> {
  const { runtime, actor } = context;
  const { person, classes, subject } = await studentSubject(runtime, studentId);
  demand(actor, "see", subject);
  const db = runtime.db.read;
  const classIds = classes.map(({ id }) => id);
  const classId = (await factClassOf(db, classIds, studentId)) ?? classIds[0];
  const standing = classId ? (await factStandings(db, classId, [studentId])).get(studentId) : undefined;
  if (!classId || !standing) throw new Refusal("not-found", "This student is in no class any more.");
  const school = await schoolOf(runtime, person.schoolId);
  const today = await todayOf(runtime, person.schoolId);
  const since = dayOfNumber(dayNumber(today) - DAYS_SHOWN);
  const days = await factDaysOf(db, [studentId], since);
  const { settings, own, on, typing, attempts, limitOf } = standing;
  return {
    classId,
    studentId,
    name: fullNames([person]).get(studentId) ?? "",
    on,
    settings,
    own: own?.settings ?? null,
    secondsPerDigit: typing?.secondsPerDigit ?? null,
    cells: settings.operations.flatMap((operation) =>
      factFamilies(operation, settings.highest).flatMap(({ facts }) =>
        facts.map((fact) => {
          const { lastDay, ...fluency } = factFluency(fact, attempts, limitOf);
          return {
            id: factId(fact),
            ...fluency,
            daysAgo: lastDay === null ? null : Math.max(0, dayNumber(today) - lastDay),
          };
        }),
      ),
    ),
    days: daysOfFacts(days, since, today, school),
  };
}

/** What happened with one fact of a student, the latest first. */
export async function factHistory(context: Context, studentId: string, fact: string): Promise<FactHistoryLine[]> {
  const { runtime, actor } = context;
  const { person, subject } = await studentSubject(runtime, studentId);
  demand(actor, "see", subject);
  const { timeZone } = await schoolOf(runtime, person.schoolId);
  const rows = await attemptsAtFact(runtime.db.read, studentId, fact, MOST_HISTORY);
  return rows.map(({ at, given, right, milliseconds, limitMilliseconds, leftOut }) => ({
    when: format(new TZDate(at, timeZone), "d MMM, HH:mm"),
    given,
    right,
    seconds: milliseconds / MILLISECONDS,
    limit: limitMilliseconds === null ? null : limitMilliseconds / MILLISECONDS,
    leftOut,
  }));
}
