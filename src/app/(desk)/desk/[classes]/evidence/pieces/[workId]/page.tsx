import type { Metadata } from "next";
import { pieceReport } from "@/features/evidence/reads/piece/pieceView";
import { FrameBand } from "@/features/evidence/view/frame/FrameBand";
import { PieceReport } from "@/features/evidence/view/piece/PieceReport";
import { giveMarkedAction } from "@/features/work/actions";
import { Refused } from "@/ui/layout/Refused";
import { openReport, type ReportProps } from "../../openReport";

export const metadata: Metadata = { title: "One piece of work" };

export default async function Page(
  props: ReportProps & { readonly params: Promise<{ classes: string; workId: string }> },
) {
  const { workId } = await props.params;
  const { key, found } = await openReport(props, (context, frame, { part }) =>
    pieceReport(context, workId, { frame, partId: typeof part === "string" ? part : null }),
  );
  if (!found.ok)
    return <Refused message={found.message} href={`/desk/${key}/evidence/pieces`} label="To the pieces of work" />;
  return (
    <>
      <FrameBand frame={found.data.frame} report="pieces" listens={{ about: true }} />
      <PieceReport view={found.data.view} give={giveMarkedAction} />
    </>
  );
}
