import type { Metadata } from "next";
import { putInReport } from "@/features/evidence/reads/putIn/putInReport";
import { FrameBand } from "@/features/evidence/view/frame/FrameBand";
import { PutInPage } from "@/features/evidence/view/putin/PutInPage";
import { Refused } from "@/ui/layout/Refused";
import { openReport, type ReportProps } from "../openReport";

export const metadata: Metadata = { title: "Work put in" };

export default async function Page(props: ReportProps) {
  const { key, found } = await openReport(props, putInReport);
  if (!found.ok) return <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />;
  return (
    <>
      <FrameBand frame={found.data.frame} report="put-in" listens={{ range: true, about: true, ofGrade: true }} />
      <PutInPage view={found.data.view} />
    </>
  );
}
