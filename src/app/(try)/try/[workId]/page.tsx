import type { Metadata } from "next";
import { enterWork } from "@/features/delivery/entry";
import { PartsPage } from "@/features/delivery/view/PartsPage";
import { RunPage } from "@/features/delivery/view/RunPage";
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
  const { personId } = await requireStaffPage();
  const [{ workId }, { part }] = [await params, await searchParams];
  const found = await attempt((context) => enterWork(context, workId, part ?? null));
  if (!found.ok) return <Refused message={found.message} href="/desk/all/work" label="To my desk" />;
  if (found.data.as === "parts") return <PartsPage work={found.data.view} />;
  return <RunPage view={found.data.view} personId={personId} />;
}
