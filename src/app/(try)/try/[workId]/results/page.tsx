import type { Metadata } from "next";
import { resultsView } from "@/features/delivery/reads/results";
import { ResultsPage } from "@/features/delivery/view/ResultsPage";
import { requireStaffPage } from "@/server/access/pages";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Trial run" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ workId: string }>;
  searchParams: Promise<{ part?: string }>;
}) {
  await requireStaffPage();
  const [{ workId }, { part }] = [await params, await searchParams];
  const found = await attempt((context) => resultsView(context, workId, part ?? null));
  return found.ok ? (
    <ResultsPage results={found.data} />
  ) : (
    <Refused message={found.message} href={`/try/${workId}`} label="Back to the trial run" />
  );
}
