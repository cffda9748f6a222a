import type { Metadata } from "next";
import { paperGrid } from "@/features/scoring/reads/paperGrid";
import { PaperGrid } from "@/features/scoring/view/paper/PaperGrid";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Results on paper" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ classes: string; workId: string }>;
  searchParams: Promise<{ student?: string }>;
}) {
  const [{ classes: key, workId }, { student }] = [await params, await searchParams];
  await ownClasses(key);
  const found = await attempt((context) => paperGrid(context, workId));
  return found.ok ? (
    <PaperGrid grid={found.data} base={`/desk/${key}`} studentId={student ?? null} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/work/${workId}`} label="To the work" />
  );
}
