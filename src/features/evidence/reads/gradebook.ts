import "server-only";
import { termAround } from "@/core/calendar/termOn";
import { rational } from "@/core/numeric/rational";
import { schoolById } from "@/db/queries/people";
import { assignmentsById } from "@/db/queries/work";
import type { Gradebook, GradebookResult } from "@/formats/package/gradebook";
import type { Context } from "@/server/runtime/context";
import { dayAt } from "@/server/runtime/school";
import type { Search } from "../frame/frameParams";
import type { MarkCell } from "../marksTypes";
import type { ReportFrame } from "./frame";
import { marksReport } from "./marks";

/** How the standard names the states of a mark. */
const STATUS: Readonly<Record<MarkCell["state"], GradebookResult["status"]>> = {
  marked: "fully graded",
  excused: "exempt",
  absent: "not submitted",
  none: "not submitted",
  nought: "fully graded",
  open: "not submitted",
  "to-score": "submitted",
};
const WITHOUT = "none";

/** The marks of a frame as a gradebook, under the ids by which roster files know classes, students and terms. */
export async function gradebook(context: Context, frame: ReportFrame, search: Search): Promise<Gradebook> {
  const { runtime } = context;
  const { school, now, classes, students } = frame;
  const [view, own] = await Promise.all([marksReport(context, frame, search), schoolById(runtime.db.read, school.id)]);
  const works = new Map(
    (
      await assignmentsById(
        runtime.db.read,
        view.columns.map(({ workId }) => workId),
      )
    ).map((work) => [work.id, work]),
  );
  const classKey = new Map(classes.map(({ id, sourcedId }) => [id, sourcedId ?? id]));
  const studentKey = new Map(students.map(({ id, person }) => [id, person.sourcedId ?? id]));
  const categoryId = (category: string) => `category-${category || WITHOUT}`;
  const itemId = ({ workId, partId }: { readonly workId: string; readonly partId: string }) => `${workId}-${partId}`;
  const keyOfClass = (workId: string) => classKey.get(works.get(workId)?.classId ?? "") ?? "";
  return {
    source: { systemName: "Oxbow", systemCode: school.id },
    modified: new Date(now).toISOString(),
    categories: view.categories.map((category) => ({
      id: categoryId(category),
      title: category || "Without a category",
    })),
    items: view.columns.flatMap((column) => {
      const work = works.get(column.workId);
      if (!work) return [];
      const day = dayAt(school, work.givenAt);
      return [
        {
          id: itemId(column),
          title: column.title,
          assignDay: day,
          dueDay: work.dueAt === null ? "" : dayAt(school, work.dueAt),
          classId: keyOfClass(column.workId),
          schoolId: own?.sourcedId ?? school.id,
          categoryId: categoryId(column.category),
          sessionId: termAround(school.terms, day)?.id ?? "",
          most: column.points,
        },
      ];
    }),
    results: view.rows.flatMap((row) =>
      row.cells.flatMap((cell, place) => {
        const column = view.columns[place];
        if (!cell || !column) return [];
        const score = cell.state === "nought" ? rational(0) : cell.mark === null ? null : rational(cell.mark);
        return [
          {
            id: `${itemId(column)}-${row.id}`,
            itemId: itemId(column),
            studentId: studentKey.get(row.id) ?? row.id,
            classId: keyOfClass(column.workId),
            status: STATUS[cell.state],
            // Hundredths of a point, rounded down as marks are everywhere.
            score: score === null ? null : Math.floor(score.mul(column.points).mul(100).valueOf()) / 100,
            day: dayAt(school, now),
            late: cell.late,
            missing: cell.state === "none" || cell.state === "nought",
          },
        ];
      }),
    ),
  };
}
