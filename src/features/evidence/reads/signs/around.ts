import type { RunBetween } from "@/db/queries/weeks";
import type { FrameStudent, ReportFrame } from "../frame";

/** What the signs of finished work are looked for in. */
export interface AroundRuns {
  readonly frame: ReportFrame;
  readonly here: readonly FrameStudent[];
  readonly runs: readonly RunBetween[];
  /** Titles of the works, by id. */
  readonly titles: ReadonlyMap<string, string>;
}

/** Whose run it is and in which work, as a sign says it; null for somebody who is not in sight. */
export function ofRun(run: RunBetween, { here, titles }: AroundRuns) {
  const student = here.find(({ id }) => id === run.personId);
  if (!student) return null;
  const { id, name, classId } = student;
  return { id, name, classId, workId: run.assignmentId, title: titles.get(run.assignmentId) ?? "" };
}
