import type { Metadata } from "next";
import { redirect } from "next/navigation";
import { packedMap } from "@/features/evidence/packedMap";
import { masteryMap } from "@/features/evidence/reads/evidence";
import { mapSince, narrowedMap } from "@/features/evidence/reads/mapSince";
import { standingFacts } from "@/features/evidence/reads/standing";
import { FrameBand } from "@/features/evidence/view/frame/FrameBand";
import { MasteryMap } from "@/features/evidence/view/MasteryMap";
import { giveMarkedAction } from "@/features/work/actions";
import { Refused } from "@/ui/layout/Refused";
import { openReport, type ReportProps } from "./openReport";

export const metadata: Metadata = { title: "Mastery map" };

export default async function Page(props: ReportProps) {
  // The whole school is read class beside class.
  if ((await props.params).classes === "school") redirect("/desk/school/evidence/across");
  const { key, found } = await openReport(props, async (context, frame) => ({
    map: packedMap(narrowedMap(await masteryMap(context, frame.classIds), frame)),
    facts: await standingFacts(context, frame.classIds),
    since: await mapSince(context, frame),
  }));
  if (!found.ok) return <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />;
  const { frame, view } = found.data;
  return (
    <>
      <FrameBand frame={frame} report="" listens={{ about: true, against: true }} />
      <MasteryMap packed={view.map} facts={view.facts} since={view.since} give={giveMarkedAction} />
    </>
  );
}
