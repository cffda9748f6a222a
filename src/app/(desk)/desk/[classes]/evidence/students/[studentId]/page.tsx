import type { Metadata } from "next";
import { studentReport } from "@/features/evidence/reads/student/studentReport";
import { FrameBand } from "@/features/evidence/view/frame/FrameBand";
import { StudentReport } from "@/features/evidence/view/student/StudentReport";
import { giveMarkedAction } from "@/features/work/actions";
import { Refused } from "@/ui/layout/Refused";
import { openReport, type ReportProps } from "../../openReport";

export const metadata: Metadata = { title: "One student" };

export default async function Page(
  props: ReportProps & { readonly params: Promise<{ classes: string; studentId: string }> },
) {
  const { studentId } = await props.params;
  const { key, found } = await openReport(
    props,
    (context, frame, search) => studentReport(context, studentId, frame, search),
    "term",
  );
  if (!found.ok)
    return <Refused message={found.message} href={`/desk/${key}/evidence/students`} label="To the students" />;
  return (
    <>
      <FrameBand frame={found.data.frame} report="students" listens={{ range: true }} whom={false} />
      <StudentReport view={found.data.view} give={giveMarkedAction} />
    </>
  );
}
