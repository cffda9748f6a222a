import type { Metadata } from "next";
import { mistakesReport } from "@/features/evidence/reads/mistakes";
import { FrameBand } from "@/features/evidence/view/frame/FrameBand";
import { MistakesPage } from "@/features/evidence/view/mistakes/MistakesPage";
import { Refused } from "@/ui/layout/Refused";
import { openReport, type ReportProps } from "../openReport";

export const metadata: Metadata = { title: "Mistakes" };

export default async function Page(props: ReportProps) {
  const { key, found } = await openReport(props, mistakesReport);
  if (!found.ok) return <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />;
  const { frame, view } = found.data;
  return (
    <>
      <FrameBand frame={frame} report="mistakes" listens={{ range: true, about: true, ofGrade: true, against: true }} />
      <MistakesPage view={view} against={frame.against?.words ?? null} />
    </>
  );
}
