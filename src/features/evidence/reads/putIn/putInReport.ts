import "server-only";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { groupBy } from "@/core/collections/groupBy";
import { rapidLimit } from "@/core/measurement/rapidLimit";
import { median } from "@/core/numeric/median";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { moveFor, putIn } from "@/core/work/putIn";
import { lessonsInRuns, type RunBetween, runsBetween, type TriedItem, triedInRuns } from "@/db/queries/weeks";
import { assignmentsById, assignmentsOfClasses } from "@/db/queries/work";
import type { Context } from "@/server/runtime/context";
import { instantAt } from "@/server/runtime/school";
import type { Search } from "../../frame/frameParams";
import type { PutInStudent, PutInView } from "../../putInTypes";
import { type FrameStudent, isOfGrade, type ReportFrame } from "../frame";
import { activitiesOf } from "./activities";

const USUAL_LINE = 70;
/** The reading of a lesson, and its model. */
const PARTS_OF_LESSON = 2;
const MOST_PIECES = 40;

/** What each student put into one piece of work, or into all of some days, and what came of it. */
export async function putInReport(context: Context, frame: ReportFrame, search: Search): Promise<PutInView> {
  const { runtime } = context;
  const db = runtime.db.read;
  const { school, range } = frame;
  const here = frame.students.filter(({ left }) => !left);
  const instants = {
    from: instantAt(school, dayOfNumber(range.from), "00:00"),
    until: instantAt(school, dayOfNumber(range.to + 1), "00:00"),
  };
  const [runs, given] = await Promise.all([
    runsBetween(
      db,
      here.map(({ id }) => id),
      instants,
    ),
    assignmentsOfClasses(db, frame.classIds, MOST_PIECES),
  ]);
  const piece = given.find(({ id }) => id === search.work) ?? null;
  const inSight = piece ? runs.filter(({ assignmentId }) => assignmentId === piece.id) : runs;
  const ids = inSight.map(({ id }) => id);
  const [tried, lessons, works] = await Promise.all([
    triedInRuns(db, ids),
    lessonsInRuns(db, ids),
    assignmentsById(db, [...new Set(inSight.map(({ assignmentId }) => assignmentId))]),
  ]);
  const skills = new Map(frame.skills.map(({ id, grade }) => [id, grade]));
  const titles = new Map(works.map(({ id, title }) => [id, title]));
  const [runsBy, triedBy, lessonsBy] = [
    groupBy(inSight, ({ personId }) => personId),
    groupBy(tried, ({ sittingId }) => sittingId),
    groupBy(lessons, ({ sittingId }) => sittingId ?? ""),
  ];
  const medians = new Map(
    [...groupBy(tried, ({ versionId }) => versionId)].map(([id, own]) => [
      id,
      median(own.map(({ milliseconds }) => milliseconds / 1000)),
    ]),
  );
  const line =
    Number.isFinite(Number(search.line)) && search.line ? Math.min(100, Math.max(0, Number(search.line))) : USUAL_LINE;
  const students = here.map((student) => {
    const counted = (item: TriedItem) => {
      const grade = skills.get(item.skillId);
      return grade !== undefined && isOfGrade(frame.params.ofGrade, grade, student.grade);
    };
    return studentOf(student, runsBy.get(student.id) ?? [], {
      line,
      medians,
      titles,
      itemsOf: (run) => (triedBy.get(run.id) ?? []).filter(counted),
      lessonsOf: (run) => lessonsBy.get(run.id) ?? [],
    });
  });
  return {
    piece: piece ? { id: piece.id, title: piece.title } : null,
    pieces: given.map(({ id, title }) => ({ id, title })),
    line,
    students: students.sort((x, y) => (x.figures.mean ?? 2) - (y.figures.mean ?? 2) || x.name.localeCompare(y.name)),
    activities: await activitiesOf(runtime, frame, students),
  };
}

type Visit = Awaited<ReturnType<typeof lessonsInRuns>>[number];

interface Around {
  readonly line: number;
  readonly medians: ReadonlyMap<string, number>;
  readonly titles: ReadonlyMap<string, string>;
  readonly itemsOf: (run: RunBetween) => readonly TriedItem[];
  readonly lessonsOf: (run: RunBetween) => readonly Visit[];
}

function studentOf(
  student: FrameStudent,
  runs: readonly RunBetween[],
  { line, medians, titles, itemsOf, lessonsOf }: Around,
): PutInStudent {
  const each = runs.map((run) => ({ run, items: itemsOf(run), lessons: lessonsOf(run) }));
  const items = each.flatMap((one) => one.items);
  const missed = (of: readonly TriedItem[]) =>
    of.filter(({ earned, possible }) => earned !== null && earned !== possible);
  const tells = ({ run }: (typeof each)[number]) => conductorOf(run.kind).tells.verdict;
  // Where nothing is told of an answer there is nothing to try again, and no lesson is at hand.
  const told = each.filter(tells);
  const atHand = told.map(({ items: own, lessons }) => {
    const skills = new Set(missed(own).map(({ skillId }) => skillId));
    const opened = lessons.filter(({ skillId }) => skills.has(skillId));
    return {
      parts: PARTS_OF_LESSON * skills.size,
      opened: opened.reduce((sum, { moved }) => sum + 1 + (moved > 0 ? 1 : 0), 0),
    };
  });
  const misses = told.filter(({ run }) => (run.settings.tries ?? 2) > 1).flatMap(({ items: own }) => missed(own));
  const counts = {
    seconds: Math.round(items.reduce((sum, { milliseconds }) => sum + milliseconds, 0) / 1000),
    usualSeconds: Math.round(items.reduce((sum, { versionId }) => sum + (medians.get(versionId) ?? 0), 0)),
    lessonParts: atHand.reduce((sum, { parts }) => sum + parts, 0),
    lessonPartsOpened: atHand.reduce((sum, { opened }) => sum + opened, 0),
    misses: misses.length,
    triedAgain: misses.filter(({ tries }) => tries > 1).length,
    answers: items.length,
    rapid: items.filter(({ versionId, milliseconds }) => milliseconds / 1000 < rapidLimit(medians.get(versionId) ?? 0))
      .length,
  };
  const figures = putIn(counts);
  const scored = items.filter(({ earned }) => earned !== null);
  const right = scored.length - missed(scored).length;
  const result = scored.length === 0 ? null : right / scored.length;
  return {
    id: student.id,
    name: student.name,
    classId: student.classId,
    counts,
    figures,
    result,
    right,
    answered: scored.length,
    move: moveFor(figures, result, line / 100),
    parts: each
      .filter(({ items: own }) => own.length > 0)
      .map(({ run, items: own, lessons }) => ({
        title: titles.get(run.assignmentId) ?? "",
        seconds: Math.round(own.reduce((sum, { milliseconds }) => sum + milliseconds, 0) / 1000),
        right: own.length - missed(own).length,
        answered: own.length,
        lessons: lessons.length,
      })),
    skillId: worstSkill(scored, missed),
    hints: items.reduce((sum, { hints }) => sum + hints, 0),
    models: each.flatMap(({ lessons }) => lessons).filter(({ moved }) => moved > 0).length,
  };
}

function worstSkill(
  items: readonly TriedItem[],
  missed: (of: readonly TriedItem[]) => readonly TriedItem[],
): string | null {
  const bySkill = [...groupBy(items, ({ skillId }) => skillId)].map(([id, own]) => ({
    id,
    missed: missed(own).length,
  }));
  return bySkill.sort((x, y) => y.missed - x.missed)[0]?.id ?? null;
}
