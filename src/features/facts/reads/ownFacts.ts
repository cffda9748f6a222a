import "server-only";
import { dayNumber, type SchoolDay } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { isSchoolDay } from "@/core/calendar/isSchoolDay";
import { factFluency } from "@/core/fluency/factFluency";
import { factId } from "@/core/fluency/factId";
import { familiesOf } from "@/core/fluency/factSettings";
import { factsToDrill, isKnownInDrill } from "@/core/fluency/factsToDrill";
import type { FactFamily, PlacementAnswer } from "@/core/fluency/placeFacts";
import { attemptsOfKindBy, type FactAttemptRow, type FactDayRow, factDaysOf } from "@/db/queries/facts";
import { classesOfStudent } from "@/db/queries/people";
import { supportsOf } from "@/db/queries/students";
import type { Queryable } from "@/db/queryable";
import { COPIES, type FactStanding, factClassOf, factStandings } from "@/server/facts/factStanding";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, type School, schoolOf } from "@/server/runtime/school";
import type { FactDayView, FactSession, FactsToday, KnownFamily, OwnFacts } from "../types";

/** Typing gets faster: it is measured again after so many days. */
const MEASURE_AGAIN_AFTER = 42;
const SECONDS_PER_MINUTE = 60;
const MILLISECONDS = 1000;

/** The asking student's standing, in the class in which facts are practised; null where none does. */
export async function ownStanding({ runtime, actor }: Context, db: Queryable): Promise<FactStanding | null> {
  if (actor.kind !== "student") throw new Refusal("not-allowed", "This page is for students.");
  const school = await schoolOf(runtime, actor.schoolId);
  const classes = await classesOfStudent(db, actor.personId, dayAt(school, runtime.now()));
  const ids = classes.map(({ id }) => id);
  const classId = await factClassOf(db, ids, actor.personId);
  if (classId === null) return null;
  return (await factStandings(db, classId, [actor.personId])).get(actor.personId) ?? null;
}

async function demandOn(context: Context): Promise<FactStanding> {
  const standing = await ownStanding(context, context.runtime.db.read);
  if (!standing?.on) throw new Refusal("not-found", "Number facts are not on your list.");
  return standing;
}

/** A session of facts: what the browser needs to go on with alone. */
export async function factSession(context: Context): Promise<FactSession> {
  const standing = await demandOn(context);
  const { runtime, actor } = context;
  const db = runtime.db.read;
  const school = await schoolOf(runtime, actor.schoolId);
  const today = dayAt(school, runtime.now());
  const { settings, typing, attempts, limitOf } = standing;
  const families = familiesOf(settings);
  const [placed, days, supports] = await Promise.all([
    attemptsOfKindBy(db, [actor.personId], "place"),
    factDaysOf(db, [actor.personId], today),
    supportsOf(db, [actor.personId]),
  ]);
  const measured = typing !== null && dayNumber(today) - dayNumber(typing.day) < MEASURE_AGAIN_AFTER;
  return {
    personId: actor.personId,
    serverNow: runtime.now(),
    settings,
    secondsPerDigit: measured ? typing.secondsPerDigit : null,
    copies: measured ? [] : numbersToCopy(runtime.random),
    placement: placementOf(placed, families.flat(), standing),
    drill: factsToDrill(families.flat(), (fact) => factFluency(fact, attempts, limitOf), runtime.random),
    today: todayOfFacts(days.at(-1), standing),
    readsAloud: supports[0]?.readAloud ?? false,
  };
}

/** A few more than a measure is made of: the first ones are for finding the keys. */
function numbersToCopy(random: () => number): number[] {
  return Array.from({ length: COPIES + 2 }, (_, place) =>
    place % 3 === 0 ? 1 + Math.floor(random() * 9) : 10 + Math.floor(random() * 90),
  );
}

/** What placement was answered of the families there are now: known means right within the limit. */
export function placementOf(
  rows: readonly FactAttemptRow[],
  families: readonly FactFamily[],
  { limitOf }: Pick<FactStanding, "limitOf">,
): PlacementAnswer[] {
  const found = new Map(
    families.flatMap(({ id, facts }) => facts.map((fact) => [factId(fact), { familyId: id, fact }])),
  );
  const answers = new Map<string, PlacementAnswer>();
  // The latest answer to a fact stands.
  for (const { fact: id, right, milliseconds, leftOut } of [...rows].reverse()) {
    const own = found.get(id);
    if (own && !leftOut)
      answers.set(id, {
        familyId: own.familyId,
        factId: id,
        known: right && milliseconds / MILLISECONDS <= limitOf(own.fact),
      });
  }
  return [...answers.values()];
}

export function todayOfFacts(row: FactDayRow | undefined, { settings }: Pick<FactStanding, "settings">): FactsToday {
  return {
    seconds: (row?.milliseconds ?? 0) / MILLISECONDS,
    inTime: row?.inTime ?? 0,
    goal: settings.goal,
    newlyFluent: row?.newlyFluent ?? [],
  };
}

export function knownFamilies({ settings, attempts, limitOf }: FactStanding): KnownFamily[] {
  return familiesOf(settings)
    .flat()
    .map(({ id, facts }) => {
      const standing = facts.map((fact) => factFluency(fact, attempts, limitOf));
      return {
        id,
        known: standing.filter(({ fluent }) => fluent).length,
        onTheWay: standing.filter((one) => !one.fluent && isKnownInDrill(one)).length,
        of: facts.length,
      };
    });
}

/** Every school day from a day to today, with what it came to. */
export function daysOfFacts(
  rows: readonly FactDayRow[],
  from: SchoolDay,
  today: SchoolDay,
  school: School,
): FactDayView[] {
  const views: FactDayView[] = [];
  for (let number = dayNumber(from); number <= dayNumber(today); number++) {
    const day = dayOfNumber(number);
    const row = rows.find((one) => one.day === day);
    if (!row && !isSchoolDay(number, school.calendar)) continue;
    views.push({
      day,
      minutes: (row?.milliseconds ?? 0) / MILLISECONDS / SECONDS_PER_MINUTE,
      inTime: row?.inTime ?? 0,
      goalMet: row !== undefined && row.inTime >= row.goal,
    });
  }
  return views;
}

/** A student's own page: what is known, today's goal, the days of the month. */
export async function ownFacts(context: Context): Promise<OwnFacts> {
  const standing = await demandOn(context);
  const { runtime, actor } = context;
  const school = await schoolOf(runtime, actor.schoolId);
  const today = dayAt(school, runtime.now());
  const first = `${today.slice(0, 7)}-01`;
  const rows = await factDaysOf(runtime.db.read, [actor.personId], first);
  return {
    serverNow: runtime.now(),
    personId: actor.personId,
    settings: standing.settings,
    today: todayOfFacts(
      rows.find(({ day }) => day === today),
      standing,
    ),
    begun: standing.attempts.size > 0,
    families: knownFamilies(standing),
    days: daysOfFacts(rows, first, today, school),
  };
}

/** What the student's start page says of facts; null where none are practised. */
export async function factsOnStart(
  context: Context,
): Promise<{ readonly minutes: number; readonly met: boolean } | null> {
  const { runtime, actor } = context;
  const standing = await ownStanding(context, runtime.db.read);
  if (!standing?.on) return null;
  const today = dayAt(await schoolOf(runtime, actor.schoolId), runtime.now());
  const [row] = await factDaysOf(runtime.db.read, [actor.personId], today);
  const { inTime, goal, seconds } = todayOfFacts(row, standing);
  const left = Math.max(0, standing.settings.minutesADay - seconds / SECONDS_PER_MINUTE);
  return { minutes: Math.ceil(left), met: inTime >= goal || left === 0 };
}
