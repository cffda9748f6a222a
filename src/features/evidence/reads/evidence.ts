import "server-only";
import { TZDate } from "@date-fns/tz";
import { format, formatDistance } from "date-fns";
import { currentEntry } from "@/core/calendar/currentEntry";
import { dayNumber, type SchoolDay } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { mondayOf } from "@/core/calendar/mondayOf";
import { readiness } from "@/core/grouping/readiness";
import type { Gauge } from "@/core/mastery/gaugeOf";
import { rankMisconceptions } from "@/core/measurement/rankMisconceptions";
import { LEVEL_CUTS } from "@/core/model/levels";
import { whyMastery } from "@/core/why/whyMastery";
import { whyWorthDoing } from "@/core/why/whyWorthDoing";
import { isOver } from "@/core/work/isOver";
import { stateOfRun } from "@/core/work/stateOfRun";
import { answersBehindCell } from "@/db/queries/answerLog";
import { lessonVisitsTo } from "@/db/queries/lessonVisits";
import { classesById } from "@/db/queries/people";
import { enrollmentsOf } from "@/db/queries/roster";
import { supportsOf } from "@/db/queries/students";
import { misconceptionSignsOf, skillDaysOf } from "@/db/queries/summaries";
import { talkCountsOf } from "@/db/queries/talks";
import { worksOfStudent } from "@/db/queries/work";
import { demand } from "@/server/access/demand";
import { may } from "@/server/access/policy";
import { studentSubject } from "@/server/access/studentSubject";
import { demandClasses, subjectOfClass } from "@/server/access/subjects";
import { type Classroom, classroomOfSome, loadClassroom } from "@/server/classroom/classroom";
import { gapWorthFirst } from "@/server/classroom/gap";
import { namedSnags } from "@/server/classroom/snags";
import { libraryOf } from "@/server/library/library";
import { shownAnswers } from "@/server/library/shownAnswers";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { todayOf } from "@/server/runtime/school";
import { runWords } from "@/words/staff/runWords";
import { wordsOfSupports } from "@/words/staff/supportsWords";
import type { AnswerView, CellView, GaugeView, MasteryMapView, ShownMisconception, StudentSheetView } from "../types";
import { mapGroupings } from "./mapGroupings";

const ANSWERS_SHOWN = 40;
const WEEKS_SHOWN = 8;

export async function masteryMap(context: Context, classIds: readonly string[]): Promise<MasteryMapView> {
  await demandClasses(context, "see", classIds);
  const { runtime, actor } = context;
  const classroom = await loadClassroom(runtime, actor.schoolId, classIds);
  const { students, plan, today } = classroom;
  const skills = mappedSkills(classroom);
  const classes = await classesById(runtime.db.read, classIds);
  const nameOf = (id: string) => classroom.skills.find((skill) => skill.id === id)?.name ?? "";
  const current = currentEntry(plan, today);
  const library = await libraryOf(runtime);
  const learningPlaces = new Map(library.skills.map(({ id }, place) => [id, place]));
  return {
    groupings: await mapGroupings(context, skills),
    strand: skills[0]?.strand ?? "",
    currentSkillId: current?.skillId ?? skills[0]?.id ?? "",
    manyClasses: classIds.length > 1,
    skills: skills.map((skill) => ({
      id: skill.id,
      name: skill.name,
      grade: skill.grade,
      statement: skill.standards[0]?.statement ?? "",
      buildsOn: skill.prerequisites.map(nameOf),
      blocks: skill.unlocks.map(nameOf),
      planned: plannedWords(classroom, skill.id),
      learningPlace: learningPlaces.get(skill.id) ?? 0,
      isCurrent: skill.id === current?.skillId,
    })),
    students: students.map((student) => ({
      id: student.id,
      name: student.shortName,
      className: classes.find(({ id }) => id === student.classId)?.name ?? "",
      gauges: skills.map((skill) => gaugeView(student.gauges.get(skill.id) as Gauge, dayNumber(today))),
    })),
    misconceptions: await shownMisconceptions(context, classroom),
  };
}

/** Columns of the map: what is in the plan, and what somebody has tried; without either, what the class's grade learns. */
function mappedSkills({ skills, plan, students }: Classroom): Classroom["skills"] {
  const planned = new Set(plan.map(({ skillId }) => skillId));
  const mapped = skills.filter(
    ({ id }) => planned.has(id) || students.some(({ gauges }) => (gauges.get(id)?.scoredAnswers ?? 0) > 0),
  );
  const grades = new Set(students.map(({ grade }) => grade));
  return mapped.length > 0 ? mapped : skills.filter(({ grade }) => grades.has(grade));
}

async function shownMisconceptions(context: Context, classroom: Classroom): Promise<ShownMisconception[]> {
  const library = await libraryOf(context.runtime);
  const students = new Map(classroom.students.map((student) => [student.id, student]));
  const signs = await misconceptionSignsOf(context.runtime.db.read, [...students.keys()]);
  const ranked = rankMisconceptions(
    signs.map(({ personId: studentId, skillId, misconceptionId, times }) => {
      const secureSince = (students.get(studentId)?.gauges.get(skillId)?.chance ?? 0) >= LEVEL_CUTS.secure;
      return { studentId, skillId, misconceptionId, times, secureSince };
    }),
  );
  return ranked.flatMap(({ students: showing, ...rest }) => {
    const misconception = library.misconceptions.get(rest.misconceptionId);
    if (!misconception) return [];
    const { name, explanation } = misconception;
    const named = showing.map(({ studentId: id, times }) => ({ id, name: students.get(id)?.shortName ?? "", times }));
    return [{ ...rest, name, explanation, students: named }];
  });
}

function plannedWords({ plan, today }: Classroom, skillId: string): string | null {
  const entry = plan.find((planned) => planned.skillId === skillId);
  if (!entry) return null;
  if (entry.targetDay < today) return `was planned until ${shortDay(entry.targetDay)}`;
  return entry.fromDay > today
    ? `planned from ${shortDay(entry.fromDay)}`
    : `being taught, until ${shortDay(entry.targetDay)}`;
}

const shortDay = (day: SchoolDay) => format(new Date(`${day}T12:00:00`), "d MMM");

export function gaugeView(gauge: Gauge, day: number): GaugeView {
  return {
    chance: gauge.chance,
    level: gauge.level,
    tooLittle: gauge.tooLittle,
    old: gauge.old,
    mark: gauge.mark,
    answered: gauge.scoredAnswers,
    right: gauge.rightFirstTries,
    why: whyMastery(gauge, day),
  };
}

/** The answers behind one cell of the map. */
export async function cellView(context: Context, studentId: string, skillId: string): Promise<CellView> {
  const { student, library, classroom } = await oneStudent(context, studentId);
  const skill = library.skill(skillId);
  const rows = await answersBehindCell(context.runtime.db.read, studentId, skillId, ANSWERS_SHOWN + 1);
  const shown = await shownAnswers(context.runtime, rows.slice(0, ANSWERS_SHOWN), skillId);
  const works = new Map(
    (await worksOfStudent(context.runtime.db.read, studentId)).map(({ work }) => [work.id, work.title]),
  );
  const gauge = student.gauges.get(skillId);
  if (!gauge) throw new Refusal("not-found", "This skill is not known.");
  return {
    studentName: student.shortName,
    skillName: skill.name,
    gauge: gaugeView(gauge, dayNumber(classroom.today)),
    start: student.starts.get(skill.strandId)?.by ?? null,
    more: Math.max(0, rows.length - ANSWERS_SHOWN),
    lesson: await lessonView(context, studentId, skillId, classroom.school.timeZone),
    answers: shown.map(
      ({ row, stem, given, key, right, earned, possible, misconceptionId }): AnswerView => ({
        key: row.key,
        when: format(new TZDate(row.givenAt, classroom.school.timeZone), "d MMM, HH:mm"),
        work: works.get(row.assignmentId) ?? "",
        stem,
        given,
        answer: key,
        right,
        partly: !right && earned > 0 ? `${earned} of ${possible}` : null,
        tryNumber: row.tryNumber,
        hintsUsed: row.hintsUsed,
        seconds: Math.round(row.milliseconds / 1000),
        misconception: misconceptionId ? library.misconceptionName(misconceptionId) || null : null,
      }),
    ),
  };
}

async function lessonView(
  { runtime }: Context,
  studentId: string,
  skillId: string,
  timeZone: string,
): Promise<CellView["lesson"]> {
  const visits = await lessonVisitsTo(runtime.db.read, studentId, skillId);
  if (!visits) return null;
  return {
    times: visits.times,
    seconds: Math.round(visits.milliseconds / 1000),
    modelSeconds: Math.round(visits.modelMilliseconds / 1000),
    modelMoves: visits.modelMoves,
    last: format(new TZDate(visits.lastAt, timeZone), "d MMM, HH:mm"),
  };
}

/** One student with the classroom around them, whoever of the staff asks that may see them. */
export async function oneStudent(context: Context, studentId: string) {
  const { runtime, actor } = context;
  const { person, classes, groups, subject } = await studentSubject(runtime, studentId);
  demand(actor, "see", subject);
  // A specialist may meet the student in a group only, and whoever left is in no class: their last class sets the plan.
  const own = classes.filter((row) => may(actor, "see", subjectOfClass(row)));
  const last =
    classes.length > 0
      ? []
      : (await enrollmentsOf(runtime.db.read, studentId, await todayOf(runtime, person.schoolId))).slice(0, 1);
  const around = own.length > 0 ? own : [...classes, ...last.map((row) => row.class)];
  const classroom = await classroomOfSome(
    runtime,
    person.schoolId,
    [person],
    around.map(({ id }) => id),
  );
  const [student] = classroom.students;
  if (!student) throw new Refusal("not-found", "This student is not known here any more.");
  const supports = may(actor, "see-supports", subject) ? await supportsOf(runtime.db.read, [studentId]) : [];
  return {
    student,
    person,
    classroom,
    classes: around,
    groups,
    supports: supports[0] ?? null,
    library: await libraryOf(runtime),
  };
}

export async function studentSheet(context: Context, studentId: string): Promise<StudentSheetView> {
  const { student, person, classroom, classes, groups, supports, library } = await oneStudent(context, studentId);
  const { runtime } = context;
  const today = dayNumber(classroom.today);
  const monday = mondayOf(today);
  const firstMonday = monday - 7 * (WEEKS_SHOWN - 1);
  const [days, signs, works, snags, talks] = await Promise.all([
    skillDaysOf(runtime.db.read, [studentId], firstMonday),
    misconceptionSignsOf(runtime.db.read, [studentId]),
    worksOfStudent(runtime.db.read, studentId),
    namedSnags(runtime, [studentId], today),
    talkCountsOf(runtime.db.read, studentId),
  ]);
  const current = currentEntry(classroom.plan, classroom.today);
  const gap = gapWorthFirst(student, classroom);
  const gapGauge = gap ? student.gauges.get(gap.id) : undefined;
  const now = runtime.now();
  return {
    id: student.id,
    name: student.fullName,
    grade: student.grade,
    classNames: classes.map(({ name }) => name),
    gauges: classroom.skills.map((skill) => ({
      ...gaugeView(student.gauges.get(skill.id) as Gauge, today),
      skillId: skill.id,
      name: skill.name,
    })),
    firstGap:
      gap && gapGauge && current
        ? {
            skillId: gap.id,
            name: gap.name,
            beingTaught: gap.id === current.skillId,
            why: whyWorthDoing({
              mastery: gapGauge.chance,
              learning: gapGauge.learning,
              ready: readiness(gap.prerequisites, new Map([...student.gauges].map(([id, { chance }]) => [id, chance]))),
              unlockedWeight: gap.unlocks.length,
            }),
          }
        : null,
    snags: snags.map(({ skillId, name, why }) => ({ skillId, name, why })),
    misconceptions: signs
      .sort((x, y) => y.times - x.times)
      .slice(0, 5)
      .map((sign) => ({
        name: library.misconceptions.get(sign.misconceptionId)?.name ?? "",
        skillName: library.skill(sign.skillId).name,
        times: sign.times,
      })),
    works: works
      .sort((x, y) => y.work.givenAt - x.work.givenAt)
      .slice(0, 5)
      .map(({ work, sitting }) => ({
        title: work.isOwnChoice ? `${work.title}, own choice` : work.title,
        state:
          sitting && sitting.finishReason === null
            ? `last worked ${formatDistance(sitting.lastAt, now, { addSuffix: true })}`
            : runWords(stateOfRun(sitting, { isOver: isOver(work.dueAt, now) })),
        itemsDone: sitting?.itemsDone ?? 0,
        itemsRight: sitting?.itemsRight ?? 0,
      })),
    groups: groups.map(({ name }) => name),
    talks: talks.map(({ reason, times }) => ({ reason, times })),
    supports: supports ? wordsOfSupports(supports) : "none",
    left: person.archivedAt !== null,
    weeks: Array.from({ length: WEEKS_SHOWN }, (_, n) => {
      const start = firstMonday + 7 * n;
      const own = days.filter(({ day }) => day >= start && day < start + 7);
      return {
        week: shortDay(dayOfNumber(start)),
        minutes: Math.round(own.reduce((sum, { milliseconds }) => sum + milliseconds, 0) / 60_000),
      };
    }),
  };
}
