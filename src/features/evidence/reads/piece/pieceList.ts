import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import { percentDown } from "@/core/measurement/percentDown";
import { rational } from "@/core/numeric/rational";
import { assignmentsOfClasses } from "@/db/queries/work";
import { marksOfWorks } from "@/server/classroom/marksOfWorks";
import type { Context } from "@/server/runtime/context";
import { dayAt, instantInWords } from "@/server/runtime/school";
import type { PieceLine } from "../../pieceTypes";
import type { ReportFrame } from "../frame";

/** What was given or due in the days of the frame, the latest first. */
export async function pieceList(context: Context, frame: ReportFrame): Promise<PieceLine[]> {
  const db = context.runtime.db.read;
  const { range, school, classes, students } = frame;
  const inRange = (instant: number | null): boolean => {
    if (instant === null) return false;
    const day = dayNumber(dayAt(school, instant));
    return range.from <= day && day <= range.to;
  };
  const works = (await assignmentsOfClasses(db, frame.classIds)).filter(
    ({ givenAt, dueAt, isPrepared }) => !isPrepared && (inRange(givenAt) || inRange(dueAt)),
  );
  const marks = await marksOfWorks(db, works);
  const inSight = new Set(students.map(({ id }) => id));
  return works.map((work) => {
    const own = [...(marks.get(work.id)?.values() ?? [])].filter(({ target }) => inSight.has(target.personId));
    const counted = own.flatMap(({ mark, target }) => (mark === null || target.excusedAt !== null ? [] : [mark]));
    return {
      id: work.id,
      title: work.title,
      className: classes.find(({ id }) => id === work.classId)?.name ?? "",
      kind: work.kind,
      given: instantInWords(school, work.givenAt, "EEE d MMM"),
      due: work.dueAt === null ? null : instantInWords(school, work.dueAt, "EEE d MMM"),
      students: own.length,
      finished: own.filter(({ target }) => target.throughAt !== null).length,
      average:
        counted.length === 0
          ? null
          : percentDown(counted.reduce((sum, mark) => sum.add(mark), rational(0)).div(counted.length)),
    };
  });
}
