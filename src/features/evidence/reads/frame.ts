import "server-only";
import { dayNumber, type SchoolDay } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { type DayRange, type NamedRange, rangeBefore, rangeOfDays } from "@/core/calendar/rangeOfDays";
import { termAround } from "@/core/calendar/termOn";
import { classScope } from "@/core/roster/classScope";
import { looksOf } from "@/db/queries/looks";
import { placesBetween } from "@/db/queries/members";
import { type ClassRow, classesById, type PersonRow } from "@/db/queries/people";
import { groupsOfStudents } from "@/db/queries/regroup";
import { demandStaff } from "@/server/access/demand";
import { demandClasses } from "@/server/access/subjects";
import { shortNames } from "@/server/classroom/names";
import { type LibrarySkill, libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { dayAt, type School, schoolOf } from "@/server/runtime/school";
import { type FrameParams, frameParams, type OfGrade, type Search } from "../frame/frameParams";
import type { FrameView } from "../frame/frameTypes";
import { frameView } from "./frameView";

/** A student of the report, and on which days of its range they were in the class. */
export interface FrameStudent {
  readonly person: PersonRow;
  readonly id: string;
  readonly name: string;
  /** Theirs, or where the roster names none that of the class. */
  readonly grade: number | null;
  readonly classId: string;
  readonly days: readonly DayRange[];
  /** Not in the class any more today. */
  readonly left: boolean;
}

/** What every report reads by: who, which days, which skills, against what. */
export interface ReportFrame {
  readonly params: FrameParams;
  readonly school: School;
  readonly today: SchoolDay;
  readonly now: number;
  readonly classes: readonly ClassRow[];
  readonly classIds: readonly string[];
  readonly range: DayRange;
  readonly against: DayRange | null;
  readonly students: readonly FrameStudent[];
  readonly skills: readonly LibrarySkill[];
  readonly view: FrameView;
}

const ENDLESS = 999_999;

/** The frame of a report as its address says; `usual` is the range where the address names none. */
export async function readFrame(
  context: Context,
  classIds: readonly string[],
  search: Search,
  usual: NamedRange = "four-weeks",
): Promise<ReportFrame> {
  const staff = demandStaff(context.actor);
  await demandClasses(context, "see", classIds);
  const { runtime } = context;
  const db = runtime.db.read;
  const params = frameParams(search);
  const now = runtime.now();
  const [school, library, classes, looks] = await Promise.all([
    schoolOf(runtime, staff.schoolId),
    libraryOf(runtime),
    classesById(db, classIds),
    looksOf(db, staff.personId, classIds),
  ]);
  const today = dayAt(school, now);
  const term = termAround(school.terms, today);
  const looked = looks.flatMap(({ before }) => (before === null ? [] : [dayNumber(dayAt(school, before))]));
  const marks = {
    today: dayNumber(today),
    term: term ? { from: dayNumber(term.startDay), to: dayNumber(term.endDay) } : null,
    lookedOn: looked.length === 0 ? null : Math.min(...looked),
  };
  // A range that is still to come says nothing yet: the usual one stands in, and the band says so.
  const wished = params.range === null ? null : rangeOfDays(params.range, marks);
  const range = wished ?? (rangeOfDays(usual, marks) as DayRange);
  const against =
    params.against === null
      ? null
      : params.against === "before"
        ? rangeBefore(range)
        : rangeOfDays(params.against, marks);
  const everybody = await studentsIn(context, classes, against ? widest(range, against) : range, today);
  const memberships = await groupsOfStudents(
    db,
    everybody.map(({ id }) => id),
    today,
  );
  const members = new Set(memberships.filter(({ group }) => group.id === params.groupId).map((one) => one.personId));
  const students = everybody.filter(
    ({ id }) =>
      (params.groupId === null || members.has(id)) &&
      (params.studentIds.length === 0 || params.studentIds.includes(id)),
  );
  const scope = classScope(
    classes.map(({ subject }) => subject),
    library.subjectsAt(staff.schoolId),
  );
  const inScope = library.skillsIn(scope);
  const skills = skillsOf(params, inScope, library.skills);
  const groups = [...new Map(memberships.map(({ group }) => [group.id, { id: group.id, name: group.name }])).values()];
  return {
    params,
    school,
    today,
    now,
    classes,
    classIds,
    range,
    against,
    students,
    skills,
    view: frameView({
      params,
      today,
      range,
      against,
      isToCome: params.range !== null && wished === null,
      lookedOn: marks.lookedOn,
      everybody,
      students,
      groups,
      subjects: scope,
      inScope,
      all: library.skills,
      skills,
    }),
  };
}

const widest = (one: DayRange, other: DayRange): DayRange => ({
  from: Math.min(one.from, other.from),
  to: Math.max(one.to, other.to),
});

async function studentsIn(
  { runtime }: Context,
  classes: readonly ClassRow[],
  range: DayRange,
  today: SchoolDay,
): Promise<FrameStudent[]> {
  const places = await placesBetween(
    runtime.db.read,
    classes.map(({ id }) => id),
    dayOfNumber(range.from),
    // Whoever came this morning is in the class for a report that ends yesterday, too.
    dayOfNumber(Math.max(range.to, dayNumber(today))),
  );
  const names = shortNames(places.map(({ person }) => person));
  const byId = new Map<string, FrameStudent>();
  for (const { person, classId, fromDay, untilDay } of places) {
    // A first day that is still to come counts at once; the end is the first day without the student.
    const days = {
      from: fromDay > today ? 0 : dayNumber(fromDay),
      to: untilDay === null ? ENDLESS : dayNumber(untilDay) - 1,
    };
    const known = byId.get(person.id);
    const isHere = (untilDay === null || untilDay > today) && person.archivedAt === null;
    byId.set(person.id, {
      person,
      id: person.id,
      name: names.get(person.id) ?? "",
      grade: person.grade ?? classes.find(({ id }) => id === classId)?.grade ?? null,
      classId: known && !known.left ? known.classId : classId,
      days: [...(known?.days ?? []), days],
      left: (known?.left ?? true) && !isHere,
    });
  }
  return [...byId.values()];
}

/** The skills that the frame leaves: of a strand, a standard or one alone, of some subjects. */
function skillsOf(
  { about, subjectIds }: FrameParams,
  inScope: readonly LibrarySkill[],
  /** With the standards of every framework. */
  all: readonly LibrarySkill[],
): LibrarySkill[] {
  const withAll = new Map(all.map((skill) => [skill.id, skill]));
  return inScope.filter((skill) => {
    if (subjectIds.length > 0 && !subjectIds.includes(skill.subjectId)) return false;
    if (about === null) return true;
    if (about.kind === "skill") return skill.id === about.id;
    if (about.kind === "strand") return skill.strandId === about.id;
    return (withAll.get(skill.id) ?? skill).standards.some(({ id }) => id === about.id);
  });
}

/** Whether a skill is of the grade asked for, against a student's own; of somebody without a grade everything is. */
export function isOfGrade(wish: OfGrade | null, skillGrade: number, grade: number | null): boolean {
  if (wish === null || grade === null) return true;
  if (wish === "on") return skillGrade === grade;
  return wish === "below" ? skillGrade < grade : skillGrade > grade;
}

/** Whether a student was in the class on a day. */
export const wasMember = ({ days }: Pick<FrameStudent, "days">, day: number): boolean =>
  days.some(({ from, to }) => from <= day && day <= to);
