import type { Metadata } from "next";
import { gainReport } from "@/features/evidence/reads/gain";
import { FrameBand } from "@/features/evidence/view/frame/FrameBand";
import { GainPage } from "@/features/evidence/view/gain/GainPage";
import { Refused } from "@/ui/layout/Refused";
import { openReport, type ReportProps } from "../openReport";

export const metadata: Metadata = { title: "Gain" };

export default async function Page(props: ReportProps) {
  const { key, found } = await openReport(props, gainReport, "term");
  if (!found.ok) return <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />;
  return (
    <>
      <FrameBand frame={found.data.frame} report="gain" listens={{ range: true }} />
      <GainPage view={found.data.view} />
    </>
  );
}
