import type { Metadata } from "next";
import { groupView } from "@/features/regroup/reads/groupView";
import { GroupPage } from "@/features/regroup/view/group/GroupPage";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Group" };

export default async function Page({ params }: { params: Promise<{ classes: string; groupId: string }> }) {
  const { classes: key, groupId } = await params;
  await ownClasses(key);
  const found = await attempt((context) => groupView(context, groupId));
  return found.ok ? (
    <GroupPage group={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/regroup`} label="To all groups" />
  );
}
