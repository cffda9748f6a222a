import type { Metadata } from "next";
import { enterWork } from "@/features/delivery/entry";
import { PartsPage } from "@/features/delivery/view/PartsPage";
import { SittingPage } from "@/features/delivery/view/SittingPage";
import { UnlockPage } from "@/features/delivery/view/UnlockPage";
import { TestPage } from "@/features/delivery/view/whole/TestPage";
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
  const { view } = found.data;
  return view.whole ? (
    <TestPage key={view.sittingId} initial={{ ...view, whole: view.whole }} personId={actor.personId} />
  ) : (
    <SittingPage key={view.sittingId} initial={view} personId={actor.personId} />
  );
}
