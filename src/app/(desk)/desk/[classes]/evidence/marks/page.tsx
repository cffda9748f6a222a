import type { Metadata } from "next";
import { marksReport } from "@/features/evidence/reads/marks";
import { FrameBand } from "@/features/evidence/view/frame/FrameBand";
import { MarksPage } from "@/features/evidence/view/marks/MarksPage";
import { Refused } from "@/ui/layout/Refused";
import { openReport, type ReportProps } from "../openReport";

export const metadata: Metadata = { title: "Marks" };

export default async function Page(props: ReportProps) {
  const { key, found } = await openReport(props, marksReport, "term");
  if (!found.ok) return <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />;
  return (
    <>
      <FrameBand frame={found.data.frame} report="marks" listens={{ range: true }} />
      <MarksPage view={found.data.view} />
    </>
  );
}
