import type { Metadata } from "next";
import { noteLook } from "@/features/evidence/entry";
import { acrossClasses } from "@/features/evidence/reads/across/acrossClasses";
import { acrossReport } from "@/features/evidence/reads/across/acrossReport";
import { readFrame } from "@/features/evidence/reads/frame";
import { AcrossPage } from "@/features/evidence/view/across/AcrossPage";
import { FrameBand } from "@/features/evidence/view/frame/FrameBand";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";
import type { ReportProps } from "../openReport";

export const metadata: Metadata = { title: "Across classes" };

/** The one report that the whole school opens, too: of all classes of a subject and grade. */
export default async function Page({ params, searchParams }: ReportProps) {
  const [{ classes: key }, search] = await Promise.all([params, searchParams]);
  const { chosen } = await ownClasses(key);
  const found = await attempt(async (context) => {
    const inView = chosen.map(({ id }) => id);
    const across = await acrossClasses(context, inView, search);
    await noteLook(context, inView);
    const frame = await readFrame(context, across.classIds, search, "term");
    return { frame: frame.view, view: await acrossReport(context, across, frame, search) };
  });
  if (!found.ok) return <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />;
  return (
    <>
      <FrameBand frame={found.data.frame} report="across" listens={{ range: true, about: true }} />
      <AcrossPage view={found.data.view} />
    </>
  );
}
