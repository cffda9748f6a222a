import "server-only";
import { format } from "date-fns";
import { addSchoolDays } from "@/core/calendar/addSchoolDays";
import { currentEntry } from "@/core/calendar/currentEntry";
import { dayNumber } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { weeksOf } from "@/core/calendar/weeksOf";
import { percentDown } from "@/core/measurement/percentDown";
import { scalePlace } from "@/core/measurement/scalePlace";
import type { Level } from "@/core/measurement/strandLevel";
import { rational } from "@/core/numeric/rational";
import { fullName } from "@/core/roster/fullName";
import { isOver } from "@/core/work/isOver";
import { stateOfRun } from "@/core/work/stateOfRun";
import { reteachesOfStudents } from "@/db/queries/regroup";
import { misconceptionDaysOf, skillDaysOf } from "@/db/queries/summaries";
import { talksOf } from "@/db/queries/talks";
import { worksOfStudent } from "@/db/queries/work";
import { demandStaff } from "@/server/access/demand";
import { may } from "@/server/access/policy";
import { subjectOfClass } from "@/server/access/subjects";
import { namedSnags } from "@/server/classroom/snags";
import type { LibrarySkill } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { instantAt, instantInWords } from "@/server/runtime/school";
import { runEndWords } from "@/words/staff/runWords";
import { wordsOfSupports } from "@/words/staff/supportsWords";
import type { Search } from "../../frame/frameParams";
import type { StrandView, StudentReportView } from "../../studentTypes";
import { oneStudent } from "../evidence";
import type { ReportFrame } from "../frame";
import { levelsOn, reported } from "./levels";
import { skillLists } from "./skillLists";
import { worthOf } from "./worth";

const MOST_POINTS = 20;
const WORKS_SHOWN = 12;
const TALKS_SHOWN = 12;
const USUAL_SCHOOL_DAYS = 3;
export const MINUTES = [3, 5, 10, 20] as const;
const USUAL_MINUTES = 10;

/** Everything that is known of one student, from the whole down to what is worth doing first. */
export async function studentReport(
  context: Context,
  studentId: string,
  frame: ReportFrame,
  search: Search,
): Promise<StudentReportView> {
  const { runtime } = context;
  const staff = demandStaff(context.actor);
  const { student, person, classroom, classes, groups, supports, library } = await oneStudent(context, studentId);
  const { school, today, plan } = classroom;
  // Of a class in view what it teaches; a specialist's group may teach what no class of the frame does.
  const inFrame = new Set(frame.skills.map(({ id }) => id));
  const narrowed = classroom.skills.filter(({ id }) => inFrame.has(id));
  const skills = narrowed.length > 0 ? narrowed : classroom.skills;
  const db = runtime.db.read;
  const now = runtime.now();
  const { range } = frame;
  // Levels at the end of each week, the latest being today's.
  const points = weeksOf(range)
    .slice(-MOST_POINTS)
    .map(({ to }) => to);
  const [levels, days, signs, works, snags, talks, tried] = await Promise.all([
    levelsOn(runtime, school, studentId, skills, points),
    skillDaysOf(db, [studentId], range.from),
    misconceptionDaysOf(db, [studentId], range),
    worksOfStudent(db, studentId, instantAt(school, dayOfNumber(range.from), "00:00")),
    namedSnags(runtime, [studentId], dayNumber(today)),
    talksOf(db, [studentId], TALKS_SHOWN),
    reteachesOfStudents(db, [studentId]),
  ]);
  const latest = levels.at(-1);
  const strandName = new Map(skills.map(({ strandId, strand }) => [strandId, strand]));
  const inRange = days.filter(({ day }) => day <= range.to);
  const minutesAtHand = MINUTES.find((one) => String(one) === search.minutes) ?? USUAL_MINUTES;
  const current = currentEntry(plan, today);
  const home = classes.find(({ id }) => id === student.classId) ?? classes[0];
  return {
    id: student.id,
    name: fullName(person),
    grade: student.grade,
    classId: home?.id ?? "",
    classNames: classes.map(({ name }) => name),
    left: person.archivedAt !== null,
    wholes: [...(latest?.wholes ?? [])].map(([id, level]) => ({
      id,
      name: library.subjects.find((subject) => subject.id === id)?.name ?? "",
      level: reported(level),
      place: placeAmong(
        level,
        skills.filter(({ subjectId }) => subjectId === id),
      ),
    })),
    strands: (latest?.strands ?? [])
      .map((strand) => ({
        id: strand.id,
        subjectId: strand.subjectId,
        name: strandName.get(strand.id) ?? "",
        level: reported(strand),
        place: placeAmong(
          strand,
          skills.filter(({ strandId }) => strandId === strand.id),
        ),
        skills: strand.weight,
        holdsDown: latest?.holding.includes(strand.id) ?? false,
        carries: strand.carries,
      }))
      .sort((x, y) => x.level.score - y.level.score),
    course: levels.map(({ on, wholes, strands }) => ({
      week: inWords(on, "d MMM"),
      levels: Object.fromEntries([
        ...[...wholes].map(([id, level]) => [id, reported(level)] as const),
        ...strands.map((strand) => [strand.id, reported(strand)] as const),
      ]),
    })),
    ...skillLists(student, { ...classroom, skills }, library),
    current: current ? { id: current.skillId, name: library.skill(current.skillId).name } : null,
    worth: await worthOf(runtime, student, { ...classroom, skills }, minutesAtHand),
    minutesAtHand,
    snags: snags.map(({ skillId, name, why }) => ({ id: skillId, name, why })),
    mistakes: mistakesOf(signs, library),
    works: works
      .filter(({ work }) => !work.isTrial)
      .sort((x, y) => (y.sitting?.lastAt ?? y.work.givenAt) - (x.sitting?.lastAt ?? x.work.givenAt))
      .slice(0, WORKS_SHOWN)
      .map(({ work, sitting }) => ({
        id: work.id,
        title: work.isOwnChoice ? `${work.title}, own choice` : work.title,
        state: runEndWords(stateOfRun(sitting, { isOver: isOver(work.dueAt, now) })),
        percent: sitting?.mark == null ? null : percentDown(rational(sitting.mark)),
        minutes: Math.round((sitting?.activeMilliseconds ?? 0) / 60_000),
        day: instantInWords(school, sitting?.lastAt ?? work.givenAt, "d MMM"),
      })),
    weeks: weeksOf(range).map(({ from, to }) => ({
      week: inWords(from, "d MMM"),
      minutes: minutesOf(inRange.filter(({ day }) => from <= day && day <= to)),
    })),
    range: {
      minutes: minutesOf(inRange),
      answered: inRange.reduce((sum, { answered }) => sum + answered, 0),
      right: inRange.reduce((sum, { right }) => sum + right, 0),
      words: frame.view.range.words,
    },
    supports: supports ? wordsOfSupports(supports) : "none",
    groups: groups.map(({ id, name }) => ({ id, name })),
    talks: talks.map(({ note, by }) => ({
      day: instantInWords(school, note.at, "d MMM"),
      reason: note.reason,
      skill: library.skillIfKnown(note.skillId)?.name ?? "",
      by: fullName(by),
    })),
    tried: tried.map(({ own, skillId, day, group, by }) => ({
      day: format(new Date(`${day}T12:00:00`), "d MMM"),
      skill: library.skillIfKnown(skillId)?.name ?? "",
      group: group.name,
      by: fullName(by),
      verdict: own.verdict,
      before: own.chanceBefore,
      after: own.chanceAfter,
    })),
    mayChange: home !== undefined && may(staff, "change", subjectOfClass(home)),
    dueDay: addSchoolDays(today, USUAL_SCHOOL_DAYS, school.calendar),
  };
}

const inWords = (day: number, pattern: string) => format(new Date(`${dayOfNumber(day)}T12:00:00`), pattern);

const minutesOf = (days: readonly { readonly milliseconds: number }[]): number =>
  Math.round(days.reduce((sum, { milliseconds }) => sum + milliseconds, 0) / 60_000);

function placeAmong(level: Level, skills: readonly LibrarySkill[]): StrandView["place"] {
  const place = scalePlace(level, skills);
  if (!place) return null;
  const nameOf = (id: string) => skills.find((skill) => skill.id === id)?.name ?? "";
  return { nearest: nameOf(place.nearest), from: nameOf(place.from), to: nameOf(place.to) };
}

/** Known mistakes of the range, the most often first. */
function mistakesOf(
  signs: readonly { readonly skillId: string; readonly misconceptionId: string; readonly times: number }[],
  library: Awaited<ReturnType<typeof oneStudent>>["library"],
): StudentReportView["mistakes"] {
  const sums = new Map<string, number>();
  for (const { skillId, misconceptionId, times } of signs) {
    const key = JSON.stringify([skillId, misconceptionId]);
    sums.set(key, (sums.get(key) ?? 0) + times);
  }
  return [...sums]
    .map(([key, times]) => {
      const [skillId = "", misconceptionId = ""] = JSON.parse(key) as string[];
      return {
        name: library.misconceptionName(misconceptionId),
        skill: library.skillIfKnown(skillId)?.name ?? "",
        times,
      };
    })
    .filter(({ name }) => name !== "")
    .sort((x, y) => y.times - x.times || x.name.localeCompare(y.name));
}
