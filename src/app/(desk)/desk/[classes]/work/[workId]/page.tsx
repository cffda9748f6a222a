import type { Metadata } from "next";
import { workView } from "@/features/work/reads/workView";
import { WorkPage } from "@/features/work/view/WorkPage";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Work" };

export default async function Page({ params }: { params: Promise<{ classes: string; workId: string }> }) {
  const { classes: key, workId } = await params;
  await ownClasses(key);
  const found = await attempt((context) => workView(context, workId));
  return found.ok ? (
    <WorkPage key={found.data.dueDay} work={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/work`} label="To all work" />
  );
}
