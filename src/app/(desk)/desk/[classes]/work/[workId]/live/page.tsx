import type { Metadata } from "next";
import { liveBoard } from "@/features/work/reads/liveBoard";
import { LiveBoard } from "@/features/work/view/live/LiveBoard";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "At work now" };

export default async function Page({ params }: { params: Promise<{ classes: string; workId: string }> }) {
  const { classes: key, workId } = await params;
  await ownClasses(key);
  const found = await attempt((context) => liveBoard(context, workId));
  return found.ok ? (
    <LiveBoard first={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/work`} label="To all work" />
  );
}
