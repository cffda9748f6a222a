import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import { averageOfMarks, type PieceInAverage, WEIGHINGS } from "@/core/measurement/averageOfMarks";
import { countingMark } from "@/core/measurement/countingMark";
import { reachesCut } from "@/core/measurement/reachesCut";
import { type Rational, rational } from "@/core/numeric/rational";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { isOver } from "@/core/work/isOver";
import { windowFor } from "@/core/work/workWindow";
import { pointsOfParts } from "@/db/queries/marks";
import { waitingStudents } from "@/db/queries/ratings";
import { assignmentsOfClasses, type GivenWork, type PartRow, partsOfWorks } from "@/db/queries/work";
import { demandStaff } from "@/server/access/demand";
import { may } from "@/server/access/policy";
import { classSubjects } from "@/server/access/subjects";
import { type MarkOfWork, markedPartOf, marksAtPart, marksOfWorks } from "@/server/classroom/marksOfWorks";
import type { Context } from "@/server/runtime/context";
import { dayAt, instantInWords } from "@/server/runtime/school";
import type { Search } from "../frame/frameParams";
import { MARK_BYS, type MarkBy, type MarkCell, type MarkColumn, type MarksView } from "../marksTypes";
import type { ReportFrame } from "./frame";

/** The line where the address moves none. */
const USUAL_LINE = 70;
const PERMILLE = 1000;

interface Column {
  readonly work: GivenWork;
  readonly part: PartRow;
  readonly title: string;
  readonly counts: boolean;
  readonly points: number;
}

/** Marks of all pieces of work that were due or given in the frame's days, with the averages that they come to. */
export async function marksReport(context: Context, frame: ReportFrame, search: Search): Promise<MarksView> {
  const staff = demandStaff(context.actor);
  const db = context.runtime.db.read;
  const weighing = WEIGHINGS.find((one) => one === search.weigh) ?? "pieces";
  const by = MARK_BYS.find((one) => one === search.by) ?? "first";
  const line = lineOf(search.line);
  const works = (await assignmentsOfClasses(db, frame.classIds)).filter((work) => isIn(work, frame)).reverse();
  const ids = works.map(({ id }) => id);
  const [marks, parts, points, subjects, waiting] = await Promise.all([
    marksOfWorks(db, works),
    partsOfWorks(
      db,
      works.map(({ workId }) => workId),
    ),
    pointsOfParts(
      db,
      works.map(({ workId }) => workId),
    ),
    classSubjects(db, staff, frame.classIds),
    waitingStudents(db, ids),
  ]);
  const toScore = new Set(waiting.map(({ assignmentId, personId }) => `${assignmentId} ${personId}`));
  const columns = works
    .flatMap((work) => columnsOf(work, parts, points))
    .filter(({ work, part }) => conductorOf(part.kind).standsWhole || hasMarks(marks.get(work.id), part));
  const cellsOf = (studentId: string) =>
    columns.map((column): MarkCell | null => {
      const own = marks.get(column.work.id)?.get(studentId);
      if (!own) return null;
      return cellOf(own, column, { by, now: frame.now, waits: toScore.has(`${column.work.id} ${studentId}`) });
    });
  const given = frame.students.map((student) => ({ student, cells: cellsOf(student.id) }));
  // Whoever left and was given nothing in these days is no row.
  const rows = given.filter(({ student, cells }) => !student.left || cells.some((cell) => cell !== null));
  const categories = [...new Set(columns.map(({ work }) => work.category))].sort();
  const average = (cells: readonly (MarkCell | null)[], category: string | null): Rational | null =>
    averageOfMarks(
      columns.flatMap((column, place) => {
        const cell = cells[place];
        const counts = column.counts && (category === null || column.work.category === category);
        return cell && counts ? [inAverage(cell, column.points)] : [];
      }),
      weighing,
    );
  const averages = rows.map(({ cells }) => average(cells, null));
  return {
    columns: columns.map((column, place) =>
      columnView(
        column,
        rows.map(({ cells }) => cells[place] ?? null),
        frame,
        line,
      ),
    ),
    rows: rows.map(({ student, cells }, place) => ({
      id: student.id,
      name: student.name,
      className: frame.classes.find(({ id }) => id === student.classId)?.name ?? "",
      left: student.left,
      cells,
      average: averages[place]?.toFraction() ?? null,
      byCategory: categories.map((category) => average(cells, category)?.toFraction() ?? null),
    })),
    categories,
    weighing,
    by,
    line,
    average: meanOf(averages.flatMap((one) => one ?? []))?.toFraction() ?? null,
    mayChange: subjects.every((subject) => may(staff, "change", subject)),
  };
}

function lineOf(value: Search[string]): number {
  const line = typeof value === "string" ? Number(value) : Number.NaN;
  return Number.isFinite(line) && line >= 0 && line <= 100 ? line : USUAL_LINE;
}

/** Due in the frame's days, or given in them where it has no due day. */
function isIn({ isPrepared, dueAt, givenAt }: GivenWork, { school, range }: ReportFrame): boolean {
  const day = dayNumber(dayAt(school, dueAt ?? givenAt));
  const given = dayNumber(dayAt(school, givenAt));
  const inRange = (one: number) => range.from <= one && one <= range.to;
  return !isPrepared && (inRange(day) || inRange(given));
}

/** The parts of a work that have a mark of their own: each of its tests, or what it is marked by. Of a pair the test before teaching counts in no average. */
function columnsOf(work: GivenWork, all: readonly PartRow[], points: ReadonlyMap<string, number>): Column[] {
  const parts = all.filter(({ workId }) => workId === work.workId);
  const tests = parts.filter(({ kind }) => conductorOf(kind).standsWhole);
  const marked = markedPartOf(parts);
  const shown = tests.length > 1 ? tests : marked ? [marked] : [];
  return shown.map((part, place) => ({
    work,
    part,
    title: shown.length > 1 ? `${work.title}: ${part.title || `part ${part.place + 1}`}` : work.title,
    counts: place === shown.length - 1,
    points: points.get(part.id) ?? Math.max(1, part.settings.items),
  }));
}

const hasMarks = (own: ReadonlyMap<string, MarkOfWork> | undefined, part: PartRow): boolean =>
  !conductorOf(part.kind).isRead && [...(own?.values() ?? [])].some((one) => marksAtPart(one, part.id).length > 0);

function cellOf(
  own: MarkOfWork,
  { work, part }: Column,
  { by, now, waits }: { readonly by: MarkBy; readonly now: number; readonly waits: boolean },
): MarkCell {
  const { target } = own;
  const runs = own.all.filter(({ partId, finishedAt }) => partId === part.id && finishedAt !== null);
  const usesEnd = by === "end" && !conductorOf(part.kind).standsWhole;
  const marks = usesEnd
    ? runs.map(({ progressPermille }) => rational(progressPermille, PERMILLE))
    : marksAtPart(own, part.id);
  const mark = countingMark(marks, work.retake);
  const best = marks.reduce<Rational | null>((top, one) => (top === null || one.compare(top) > 0 ? one : top), null);
  const { dueAt } = windowFor(work, target);
  const base = {
    mark: mark?.toFraction() ?? null,
    first: marks[0]?.toFraction() ?? null,
    best: best?.toFraction() ?? null,
    tries: marks.length,
    late: dueAt !== null && runs.some(({ lastAt, itemsDone }) => itemsDone > 0 && lastAt > dueAt),
  };
  return { ...base, state: stateOf(own, { marked: mark !== null, waits, over: isOver(dueAt, now) }) };
}

function stateOf(
  { target }: MarkOfWork,
  { marked, waits, over }: { readonly marked: boolean; readonly waits: boolean; readonly over: boolean },
): MarkCell["state"] {
  if (target.excusedAt !== null) return "excused";
  if (waits) return "to-score";
  if (marked) return "marked";
  if (target.absentAt !== null) return "absent";
  if (target.noughtAt !== null) return "nought";
  return over ? "none" : "open";
}

/** What waits for a person counts nowhere until it is scored. */
const inAverage = (cell: MarkCell, points: number): PieceInAverage => ({
  mark: cell.mark === null ? null : rational(cell.mark),
  leftOut: cell.state === "excused" || cell.state === "to-score" || (cell.state === "absent" && cell.mark === null),
  nought: cell.state === "nought",
  points,
});

function columnView(
  { work, part, title, counts, points }: Column,
  cells: readonly (MarkCell | null)[],
  { school, classes }: ReportFrame,
  line: number,
): MarkColumn {
  const marks = cells.flatMap((cell) => {
    if (!cell) return [];
    const { mark, leftOut, nought } = inAverage(cell, points);
    return leftOut ? [] : (mark ?? (nought ? [rational(0)] : []));
  });
  return {
    key: `${work.id} ${part.id}`,
    workId: work.id,
    partId: part.id,
    title,
    className: classes.find(({ id }) => id === work.classId)?.name ?? "",
    kind: part.kind,
    isTest: conductorOf(part.kind).standsWhole,
    category: work.category,
    due: work.dueAt === null ? null : instantInWords(school, work.dueAt, "d MMM"),
    points,
    counts,
    mean: meanOf(marks)?.toFraction() ?? null,
    n: marks.length,
    atLine: marks.filter((mark) => reachesCut(mark, line)).length,
  };
}

const meanOf = (marks: readonly Rational[]): Rational | null =>
  marks.length === 0 ? null : marks.reduce((sum, mark) => sum.add(mark), rational(0)).div(marks.length);
