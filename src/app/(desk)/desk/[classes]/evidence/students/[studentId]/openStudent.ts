import type { Search } from "@/features/evidence/frame/frameParams";
import type { ReportFrame } from "@/features/evidence/reads/frame";
import type { Context } from "@/server/runtime/context";
import { openReport, type ReportProps } from "../../openReport";

export type StudentProps = ReportProps & { readonly params: Promise<{ classes: string; studentId: string }> };

/** What every page of one student begins with, and the ways back to the students and to the student. */
export async function openStudent<View>(
  props: StudentProps,
  read: (context: Context, studentId: string, frame: ReportFrame, search: Search) => Promise<View>,
) {
  const { studentId } = await props.params;
  const { key, found } = await openReport(
    props,
    (context, frame, search) => read(context, studentId, frame, search),
    "term",
  );
  const students = `/desk/${key}/evidence/students`;
  return { found, students, back: `${students}/${studentId}` };
}
