import type { Metadata } from "next";
import { enterWork } from "@/features/delivery/entry";
import { SittingPage } from "@/features/delivery/view/SittingPage";
import { requireStudentPage } from "@/server/access/pages";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Practice" };

export default async function Page({ params }: { params: Promise<{ workId: string }> }) {
  const actor = await requireStudentPage();
  const { workId } = await params;
  const found = await attempt((context) => enterWork(context, workId));
  if (!found.ok && found.code === "unavailable")
    return (
      <Refused
        message="Your work can't be opened right now. Nothing is lost. Wait a minute and try again; if it stays so, tell your teacher."
        href={`/river/${workId}`}
        label="Try again"
      />
    );
  if (!found.ok) return <Refused message={found.message} href="/river" label="To my river" />;
  return <SittingPage initial={found.data} personId={actor.personId} />;
}
