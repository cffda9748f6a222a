import type { Metadata } from "next";
import { FrameBand } from "@/features/evidence/view/frame/FrameBand";
import { StudentList } from "@/features/evidence/view/student/StudentList";
import { Refused } from "@/ui/layout/Refused";
import { openReport, type ReportProps } from "../openReport";

export const metadata: Metadata = { title: "One student" };

export default async function Page(props: ReportProps) {
  const { key, found } = await openReport(props, async () => null, "term");
  if (!found.ok) return <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />;
  return (
    <>
      <FrameBand frame={found.data.frame} report="students" listens={{ range: true }} whom={false} />
      <StudentList frame={found.data.frame} />
    </>
  );
}
