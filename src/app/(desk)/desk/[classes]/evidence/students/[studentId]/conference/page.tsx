import type { Metadata } from "next";
import { studentReport } from "@/features/evidence/reads/student/studentReport";
import { ConferencePage } from "@/features/evidence/view/student/ConferencePage";
import { Refused } from "@/ui/layout/Refused";
import { openReport, type ReportProps } from "../../../openReport";

export const metadata: Metadata = { title: "For a conference" };

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
  return <ConferencePage view={found.data.view} back={`/desk/${key}/evidence/students/${studentId}`} />;
}
