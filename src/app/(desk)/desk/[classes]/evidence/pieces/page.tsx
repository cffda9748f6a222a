import type { Metadata } from "next";
import { pieceList } from "@/features/evidence/reads/piece/pieceList";
import { FrameBand } from "@/features/evidence/view/frame/FrameBand";
import { PieceList } from "@/features/evidence/view/piece/PieceList";
import { Refused } from "@/ui/layout/Refused";
import { openReport, type ReportProps } from "../openReport";

export const metadata: Metadata = { title: "Pieces of work" };

export default async function Page(props: ReportProps) {
  const { key, ids, found } = await openReport(props, pieceList);
  if (!found.ok) return <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />;
  return (
    <>
      <FrameBand frame={found.data.frame} report="pieces" listens={{ range: true }} />
      <PieceList pieces={found.data.view} many={ids.length > 1} />
    </>
  );
}
