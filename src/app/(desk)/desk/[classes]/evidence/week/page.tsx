import type { Metadata } from "next";
import { goalsOfWeek } from "@/features/evidence/reads/week/goals";
import { weekReport } from "@/features/evidence/reads/week/weekReport";
import { FrameBand } from "@/features/evidence/view/frame/FrameBand";
import { WeekPage } from "@/features/evidence/view/week/WeekPage";
import { Refused } from "@/ui/layout/Refused";
import { openReport, type ReportProps } from "../openReport";

export const metadata: Metadata = { title: "The week" };

export default async function Page(props: ReportProps) {
  const { key, found } = await openReport(props, async (context, frame, search) => ({
    week: await weekReport(context, frame, search),
    goals: await goalsOfWeek(context, frame),
  }));
  if (!found.ok) return <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />;
  return (
    <>
      <FrameBand frame={found.data.frame} report="week" listens={{ range: true, about: true, ofGrade: true }} />
      <WeekPage view={found.data.view.week} goals={found.data.view.goals} />
    </>
  );
}
