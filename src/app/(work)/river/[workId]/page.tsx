import type { Metadata } from "next";
import { enterWork } from "@/features/delivery/entry";
import { PartsPage } from "@/features/delivery/view/PartsPage";
import { RunPage } from "@/features/delivery/view/RunPage";
import { UnlockPage } from "@/features/delivery/view/UnlockPage";
import { requireStudentPage } from "@/server/access/pages";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Practice" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ workId: string }>;
  searchParams: Promise<{ part?: string }>;
}) {
  const actor = await requireStudentPage();
  const [{ workId }, { part }] = [await params, await searchParams];
  const found = await attempt((context) => enterWork(context, workId, part ?? null));
  if (!found.ok && found.code === "unavailable")
    return (
      <Refused
        message="Your work can't be opened right now. Nothing is lost. Wait a minute and try again; if it stays so, tell your teacher."
        href={`/river/${workId}`}
        label="Try again"
      />
    );
  if (!found.ok && found.code === "locked") return <UnlockPage workId={workId} message={found.message} />;
  if (!found.ok) return <Refused message={found.message} href="/river" label="To my river" />;
  if (found.data.as === "parts") return <PartsPage work={found.data.view} />;
  return <RunPage view={found.data.view} personId={actor.personId} />;
}
